import { isBoard } from '../boards';
import type { Ref } from '../brand';
import { isPowerSource } from '../parts';
import { recipeFor } from './recipes';
import { isLegByLeg, type ReadLine, type Statement, type StatementContext, type Target } from './statement';

const isContact = ({ kind }: Statement): boolean => kind.contact !== undefined;
const givesCurrent = ({ kind }: Statement): boolean => kind.givesAt !== undefined;

/** The targets that a line names. */
const targetsOf = ({ source, to, across, resistorTo, joins }: Statement): readonly (Target | undefined)[] => [
  source,
  to,
  across,
  resistorTo,
  ...joins.map((join) => join.to),
];

/** Whether a line speaks of a part by its name. */
export const speaksOf = (statement: Statement, part: Ref): boolean =>
  targetsOf(statement).some(
    (target) => (target?.type === 'part' || target?.type === 'leg') && target.ref === part,
  );

/**
 * The lines of what all else takes its current through in a circuit without a board, in the order of the current: the one
 * button or switch, and behind it the one potentiometer or sensor. None where there is a board, several of a sort, or a
 * contact is joined leg by leg.
 */
export function leadsOf(lines: readonly ReadLine[], { board }: StatementContext): readonly ReadLine[] {
  const of = (isOfSort: (statement: Statement) => boolean): readonly ReadLine[] =>
    lines.filter(({ statement }) => statement && isOfSort(statement));
  const contacts = of(isContact);
  const dimmers = of(
    (statement) => givesCurrent(statement) && !isContact(statement) && !isLegByLeg(statement),
  );
  const leads = [...contacts, ...dimmers];
  const arePlain = leads.every(({ statement }) => statement!.count === 1 && !isLegByLeg(statement!));
  return !isBoard(board) && contacts.length <= 1 && dimmers.length <= 1 && arePlain ? leads : [];
}

/**
 * The part that a line takes its current through, of those that lead it: the last one, but for one of them the one before.
 * `undefined` where it takes none, or says from where.
 */
export function fedThrough(
  statement: Statement,
  own: Ref | undefined,
  leads: readonly Ref[],
  { board }: StatementContext,
): Ref | undefined {
  const isFed =
    !isContact(statement) &&
    !isPowerSource({ kind: statement.kind.kind }) &&
    !isLegByLeg(statement) &&
    recipeFor(statement.kind.kind, board).needsBothEnds !== true &&
    statement.source === undefined;
  if (!isFed) return undefined;
  const at = own === undefined ? -1 : leads.indexOf(own);
  return at < 0 ? leads.at(-1) : leads[at - 1];
}
