import { legName, type Ref } from '../brand';
import type { BoardProfile } from '../boards';
import type { LedPanel, TextScreen } from '../program/machine';
import { kindOf } from '../parts';
import type { PlacedPart } from '../wiring/wiring';
import type { LiveCircuit } from './live-circuit';
import type { PictureChange, TextChange } from './trace';

const [vcc, gnd] = [legName('vcc'), legName('gnd')];
const [sda, scl] = [legName('sda'), legName('scl')];
const [din, dout, clk, cs] = [legName('din'), legName('dout'), legName('clk'), legName('cs')];

/** A module answers from this supply on, in V. */
const ANSWERS_FROM_VOLTS = 4;
/** Address of a display that does not say another. */
const USUAL_ADDRESS = 0x27;
const COLUMNS = 16;
const ROWS = 2;
const PANEL_ROWS = 8;

/** Text displays and LED panels of a circuit, and what a program has made them show. */
export class Modules {
  readonly texts = new Map<Ref, TextChange[]>();
  readonly pictures = new Map<Ref, PictureChange[]>();
  private readonly screens = new Map<Ref, TextScreen>();
  private readonly panels = new Map<Ref, LedPanel>();
  private readonly displays: readonly { readonly part: PlacedPart; readonly address: number }[];
  private readonly panelParts: readonly PlacedPart[];
  /** The pins of the board's two-wire bus. */
  private readonly bus: { readonly data: string | undefined; readonly clock: string | undefined };

  constructor(
    private readonly live: LiveCircuit,
    board: BoardProfile,
    /** Seconds from the start of the run. */
    private readonly now: () => number,
  ) {
    this.displays = live.circuit.parts
      .filter(({ kind }) => kindOf(kind).observed === 'text')
      .map((part) => ({ part, address: addressOf(part) }));
    this.panelParts = live.circuit.parts.filter(({ kind }) => kindOf(kind).observed === 'picture');
    const pinFor = (name: 'bus-data' | 'bus-clock'): string | undefined =>
      board.pins.find(({ functions }) => functions.includes(name))?.name;
    this.bus = { data: pinFor('bus-data'), clock: pinFor('bus-clock') };
  }

  /** The display that answers at an address of the board's two-wire bus; `undefined` when none does. */
  screen(address: number): TextScreen | undefined {
    const part = this.displays.find(
      (display) => display.address === address && this.isOnBus(display.part) && this.isPowered(display.part),
    )?.part;
    if (!part) return undefined;
    let screen = this.screens.get(part.ref);
    if (!screen) {
      const changes: TextChange[] = [];
      this.texts.set(part.ref, changes);
      screen = screenOf((lines) => void changes.push({ at: this.now(), lines }));
      this.screens.set(part.ref, screen);
    }
    return screen;
  }

  private isOnBus(part: PlacedPart): boolean {
    const { data, clock } = this.bus;
    return (
      data !== undefined &&
      clock !== undefined &&
      this.live.isJoined(data, part, sda) &&
      this.live.isJoined(clock, part, scl)
    );
  }

  /** The panel at a place of the chain that begins at three pins; `undefined` when none is there. */
  panel(
    pins: { readonly data: string; readonly clock: string; readonly select: string },
    index: number,
  ): LedPanel | undefined {
    const panels = this.panelParts.filter(
      (part) =>
        this.live.isJoined(pins.clock, part, clk) &&
        this.live.isJoined(pins.select, part, cs) &&
        this.isPowered(part),
    );
    let found = panels.find((part) => this.live.isJoined(pins.data, part, din));
    for (let step = 0; found && step < index; step += 1) {
      const before = found;
      found = panels.find((part) => this.live.areJoined(before, dout, part, din));
    }
    if (!found) return undefined;
    let panel = this.panels.get(found.ref);
    if (!panel) {
      const changes: PictureChange[] = [];
      this.pictures.set(found.ref, changes);
      panel = panelOf((rows) => void changes.push({ at: this.now(), rows }));
      this.panels.set(found.ref, panel);
    }
    return panel;
  }

  private isPowered(part: PlacedPart): boolean {
    return (this.live.voltsBetween(part, vcc, gnd) ?? 0) >= ANSWERS_FROM_VOLTS;
  }
}

const addressOf = ({ value }: PlacedPart): number =>
  Number(/0x[0-9a-f]{2}/.exec(value.text)?.[0]) || USUAL_ADDRESS;

/** Tells what is shown, where it is something else than before. */
function onlyChanges<Item>(show: (items: readonly Item[]) => void): (items: readonly Item[]) => void {
  let last: readonly Item[] | undefined;
  return (items) => {
    if (last && items.every((item, index) => item === last![index])) return;
    last = items;
    show(items);
  };
}

function screenOf(tellLines: (lines: readonly string[]) => void): TextScreen {
  const show = onlyChanges(tellLines);
  const cells = Array.from({ length: ROWS }, () => new Array<string>(COLUMNS).fill(' '));
  let [column, row] = [0, 0];
  let [started, lit] = [false, false];
  // Without its light nobody reads it.
  const tell = (): void => show(cells.map((line) => (lit ? line.join('') : ' '.repeat(COLUMNS))));
  return {
    start() {
      started = true;
      this.clear();
    },
    write(text) {
      if (!started) return;
      let isOther = false;
      for (const letter of text) {
        // A line that is too long runs on out of sight.
        if (column < COLUMNS && cells[row]![column] !== letter) {
          cells[row]![column] = letter;
          isOther = true;
        }
        column += 1;
      }
      if (isOther) tell();
    },
    setCursor(newColumn, newRow) {
      column = Math.max(0, newColumn);
      row = Math.max(0, Math.min(ROWS - 1, newRow));
    },
    clear() {
      for (const line of cells) line.fill(' ');
      [column, row] = [0, 0];
      tell();
    },
    light(state) {
      lit = state === 'on';
      tell();
    },
  };
}

function panelOf(tellRows: (rows: readonly number[]) => void): LedPanel {
  const show = onlyChanges(tellRows);
  const rows = new Array<number>(PANEL_ROWS).fill(0);
  let awake = false;
  const tell = (): void => show(awake ? [...rows] : new Array<number>(PANEL_ROWS).fill(0));
  return {
    wake(state) {
      awake = state === 'on';
      tell();
    },
    setBrightness: () => undefined,
    rows: () => rows,
    setRow(row, bits) {
      if (row < 0 || row >= PANEL_ROWS) return;
      rows[row] = bits & 0xff;
      tell();
    },
  };
}

/** What takes everything and shows nothing: a display or panel that does not answer. */
export const SILENT_SCREEN: TextScreen = {
  start: () => undefined,
  write: () => undefined,
  setCursor: () => undefined,
  clear: () => undefined,
  light: () => undefined,
};
export const SILENT_PANEL: LedPanel = {
  wake: () => undefined,
  setBrightness: () => undefined,
  rows: () => new Array<number>(PANEL_ROWS).fill(0),
  setRow: () => undefined,
};
