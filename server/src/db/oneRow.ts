import type { Attributes, Model, ModelStatic, Transaction } from 'sequelize';
import { QueryTypes } from 'sequelize';

/** Which row is meant: the part of a question behind WHERE, in the words of the database. */
interface Wanted<M extends Model> {
  readonly where: string;
  readonly given: Readonly<Record<string, string>>;
  readonly transaction?: Transaction;
  /** Columns that the asker does not look at. */
  readonly without?: readonly (keyof Attributes<M>)[];
  /** What is asked with it, by name. */
  readonly also?: Readonly<Record<string, string>>;
}

/**
 * One row as a model, or null. Every request and every batch of a run asks for
 * such rows: that Sequelize makes the question anew each time costs more than
 * the answer.
 */
export async function oneRow<M extends Model>(
  model: ModelStatic<M>,
  { where, given, transaction, without = [], also = {} }: Wanted<M>,
): Promise<M | null> {
  const columns = Object.entries(model.getAttributes())
    .filter(([name]) => !without.some((w) => w === name))
    .map(([name, { field }]) => `"${field}" AS "${name}"`);
  const besides = Object.entries(also).map(([name, sql]) => `(${sql}) AS "${name}"`);
  const [row] = await model.sequelize!.query(
    `SELECT ${[...columns, ...besides].join(', ')} FROM "${model.tableName}" WHERE ${where}`,
    {
      type: QueryTypes.SELECT,
      replacements: { ...given },
      ...(transaction ? { transaction } : {}),
    },
  );
  return row ? model.build(row as never, { isNewRecord: false, raw: true }) : null;
}
