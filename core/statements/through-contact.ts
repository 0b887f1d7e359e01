import { isBoard } from '../boards';
import type { Ref } from '../brand';
import { isPowerSource } from '../parts';
import { recipeFor } from './recipes';
import { isLegByLeg, type ReadLine, type Statement, type StatementContext, type Target } from './statement';

const isContact = ({ kind }: Statement): boolean => kind.givesAt !== undefined;

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
 * The line of the one button or switch of a circuit without a board: `9V battery`, `switch`, `red LED`. `undefined` where
 * there is a board, none or several of them, or it is joined leg by leg.
 */
export function onlyContact(lines: readonly ReadLine[], { board }: StatementContext): ReadLine | undefined {
  const [contact, more] = lines.filter(({ statement }) => statement && isContact(statement));
  const isPlain = contact?.statement?.count === 1 && !isLegByLeg(contact.statement);
  return isBoard(board) || more || !isPlain ? undefined : contact;
}

/**
 * A line's statement with the contact as where it takes its current from; as it is where it takes none, or says from
 * where.
 */
export function fedThrough(statement: Statement, contact: Ref, { board }: StatementContext): Statement {
  const isFed =
    !isContact(statement) &&
    !isPowerSource({ kind: statement.kind.kind }) &&
    !isLegByLeg(statement) &&
    recipeFor(statement.kind.kind, board).needsBothEnds !== true &&
    statement.source === undefined;
  return isFed ? { ...statement, source: { type: 'part', ref: contact } } : statement;
}
