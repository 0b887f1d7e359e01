import type { BoardProfile } from '../../boards';
import { ref as makeRef, type PointName, type Ref } from '../../brand';
import type { Edit, Repair } from '../../findings/finding';
import { kindOf } from '../../parts';
import { stripOf } from '../../wiring/netlist';
import {
  findPart,
  nameOf,
  withPart,
  type PlacedLeg,
  type PlacedPart,
  type Point,
  type Wiring,
} from '../../wiring/wiring';
import type { Candidate, Evidence } from './candidate';
import type { Drawing } from './drawing';
import { Seats } from './seats';
import type { Net, Root } from './homes';
import type { Look, Target } from './target';

/** Where the edits of a wiring come from. */
export interface EditsOf {
  readonly wiring: Wiring;
  readonly target: Target;
  readonly look: Look;
  /** The exercise's drawing beside the build as it was handed in: parts are called by the values that they have there. */
  readonly drawing: Drawing;
  readonly board: BoardProfile;
}

/** A part of a net that is joined in itself, with a point of each of its strips. */
export interface Piece {
  readonly root: Root;
  readonly strips: readonly Point[];
}

/** What changes of a wiring are made from: its pieces, its free holes, and how a change becomes a candidate. */
export class EditSource {
  readonly wiring: Wiring;
  readonly seats: Seats;
  /** A point of each strip in use, by the node that it is on. */
  private readonly byRoot = new Map<Root, Point[]>();

  constructor(readonly given: EditsOf) {
    this.wiring = asHandedIn(given.wiring, given.drawing.built);
    this.seats = new Seats(given.wiring);
    for (const point of this.seats.strips) this.noteStrip(given.look.rootOf(nameOf(point)), point);
  }

  /** Legs that are in no hole: leads that a wire can be fastened to. */
  private get hanging(): readonly Point[] {
    return this.wiring.parts.flatMap(({ ref, legs }) =>
      legs.flatMap(({ leg, at }): readonly Point[] => (at ? [] : [{ type: 'leg', ref, leg }])),
    );
  }

  private noteStrip(root: Root, point: Point): void {
    this.byRoot.set(root, [...(this.byRoot.get(root) ?? []), point]);
  }

  /** A strip or socket for each piece of a net; a socket that nothing is in yet is one of them. */
  piecesOf(net: Net): readonly Piece[] {
    const { look, target } = this.given;
    return [...look.rootsWith(net)].flatMap((root): Piece[] => {
      const strips = this.byRoot.get(root);
      if (strips) return [{ root, strips }];
      const { board } = this.wiring;
      const alone = [
        ...(board ? target.socketsOf(net).map((pin): Point => ({ type: 'pin', ref: board.ref, pin })) : []),
        ...this.hanging,
      ].find((point) => look.rootOf(nameOf(point)) === root);
      return alone ? [{ root, strips: [alone] }] : [];
    });
  }

  /** Where legs and ends are on two nodes. */
  along(...roots: readonly Root[]): readonly PointName[] {
    return this.wiring.parts.flatMap(({ legs }) =>
      legs.flatMap(({ at }) =>
        at && roots.includes(this.given.look.rootOf(nameOf(at))) ? [nameOf(at)] : [],
      ),
    );
  }

  /** Whether a node is one strip alone. */
  isLone(root: Root): boolean {
    return (this.byRoot.get(root) ?? []).length <= 1;
  }

  /** The node of a place, used or not: that of its strip. */
  rootAt(point: Point): Root {
    const { look } = this.given;
    if (point.type === 'pin' || point.type === 'leg') return look.rootOf(nameOf(point));
    const own = stripOf(point, this.wiring);
    const here = [...this.byRoot].find(([, strips]) =>
      strips.some((one) => stripOf(one, this.wiring) === own),
    );
    return here?.[0] ?? nameOf(point);
  }

  /** A part or wire put in. */
  adding(part: PlacedPart, amount: number, text: string, evidence: (repair: Repair) => Evidence): Candidate {
    return this.changed(
      [{ add: rowsOf(part) }],
      amount,
      text,
      (wiring) => withNewPart(wiring, part),
      evidence,
    );
  }

  /** All legs of a part somewhere else. */
  reseating(
    part: PlacedPart,
    to: readonly Point[],
    amount: number,
    text: string,
    evidence: (repair: Repair) => Evidence,
  ): Candidate {
    const edits = part.legs.flatMap(({ leg, at }, index): Edit[] =>
      at && nameOf(at) !== nameOf(to[index]!)
        ? [{ move: `${part.ref}.${leg}`, from: nameOf(at), to: nameOf(to[index]!) }]
        : [],
    );
    return this.changed(edits, amount, text, (wiring) => reseated(wiring, part.ref, to), evidence);
  }

  /** A change that may repair the wiring. */
  changed(
    edits: readonly Edit[],
    amount: number,
    text: string,
    change: (wiring: Wiring) => Wiring | undefined,
    evidence: (repair: Repair) => Evidence,
  ): Candidate {
    return {
      edits,
      cost: amount,
      text,
      domain: 'wiring',
      evidence: evidence({ text, edits }),
      apply(build) {
        const wiring = change(build.wiring);
        return wiring && { ...build, wiring };
      },
    };
  }

  /** The next name with these letters that nothing has. */
  freeName(prefix: string): Ref {
    for (let number = 1; ; number += 1) {
      const name = makeRef(`${prefix}${number}`);
      if (!findPart(this.wiring, name)) return name;
    }
  }
}

/** Whether the legs of a part keep their places to each other: it moves as a whole or not at all. */
export const isRigid = ({ kind }: PlacedPart): boolean => kindOf(kind).footprint.type === 'block';

/** A wiring with all legs of a part somewhere else. */
export function reseated(wiring: Wiring, name: Ref, to: readonly Point[]): Wiring | undefined {
  const now = findPart(wiring, name);
  return (
    now && withPart(wiring, { ...now, legs: now.legs.map((leg, index) => ({ ...leg, at: to[index]! })) })
  );
}

export const withNewPart = (wiring: Wiring, part: PlacedPart): Wiring | undefined =>
  findPart(wiring, part.ref) ? undefined : { ...wiring, parts: [...wiring.parts, part] };

/** A part as rows of a wiring table. */
export const rowsOf = ({ ref, kind, value, legs }: PlacedPart): string =>
  legs.map(({ leg, at }) => `${ref},${kind},${value.text},${leg},${at ? nameOf(at) : ''}`).join('\n');

/** The legs of a kind in these places, in their order. */
export const legsAt = (kind: string, points: readonly Point[]): readonly PlacedLeg[] =>
  kindOf(kind).legs.map(({ name }, index) => ({ leg: name, at: points[index] ?? null }));

/** A wiring whose parts have the values that they had before any of them was changed. */
const asHandedIn = (wiring: Wiring, before: Wiring): Wiring =>
  wiring === before
    ? wiring
    : {
        ...wiring,
        parts: wiring.parts.map((part) => ({
          ...part,
          value: findPart(before, part.ref)?.value ?? part.value,
        })),
      };
