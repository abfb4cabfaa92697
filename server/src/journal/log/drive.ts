import { openItems, vehicleDrive, type OpenItem } from '@brook/core/owed/openItems';
import { isDeepStrictEqual } from 'node:util';
import { QueryTypes, type Transaction } from 'sequelize';
import { OpenItemEntry, type Vehicle } from '../../db/models';
import { factsOf, type InHand } from './vehicleFacts';

/** Who brought a change about, when, and what settles what is gone by it. */
export interface Because {
  readonly person: string;
  readonly at: Date;
  readonly settledBy: string;
}

/** As it comes back out of the database. */
const plain = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T;

/** Write what a locked vehicle owes from the fold: what is new is opened, what is gone is settled; and whether it may move. */
export async function projectOpenItems(
  vehicle: Vehicle,
  because: Because,
  transaction: Transaction,
  inHand?: InHand,
): Promise<void> {
  const facts = await factsOf(vehicle, transaction, inHand);
  await writeEntries(vehicle, openItems(facts), because, transaction);
  const { state, sinceMs, reason } = vehicleDrive(facts);
  if (vehicle.driveState === state && vehicle.driveReason === reason) return;
  const since = sinceMs === null ? null : new Date(sinceMs);
  const [changed] = await vehicle.sequelize.query<{ version: number }>(
    'SELECT set_drive($1, $2, $3, $4) AS version',
    { type: QueryTypes.SELECT, bind: [vehicle.id, state, since, reason], transaction },
  );
  vehicle.set(
    { driveState: state, driveSince: since, driveReason: reason, version: changed!.version },
    { raw: true },
  );
}

async function writeEntries(
  vehicle: Vehicle,
  open: readonly OpenItem[],
  { person, at, settledBy }: Because,
  transaction: Transaction,
): Promise<void> {
  const rows = await OpenItemEntry.findAll({
    where: { vehicleId: vehicle.id },
    order: ['position'],
    transaction,
  });
  const last = new Map(rows.map((e) => [e.openItemId, e]));
  const known = [...last.values()].filter((e) => e.entry === 'opened').map((e) => e.openItem);
  const now = new Map(open.map((m) => [m.id, plain(m)]));
  const stays = (m: OpenItem) => isDeepStrictEqual(now.get(m.id), m);
  const gone = known.filter((m) => !stays(m));
  const fresh = [...now.values()].filter((m) => !known.some((k) => k.id === m.id && stays(k)));
  const entries = [
    ...gone.map((openItem) => ({
      openItem,
      entry: 'settled',
      settledBy: now.has(openItem.id) ? 'said anew' : settledBy,
    })),
    ...fresh.map((openItem) => ({ openItem, entry: 'opened', settledBy: null })),
  ];
  if (entries.length === 0) return;
  await vehicle.sequelize.query('SELECT note_open_items($1, $2, $3, $4)', {
    type: QueryTypes.SELECT,
    bind: [vehicle.id, JSON.stringify(entries), at, person],
    transaction,
  });
}
