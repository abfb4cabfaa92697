import { MONTH_MS } from '@brook/core/fluid/ageing';
import { groupOpenItems, holds } from '@brook/core/owed/openItems';
import { intervalFor } from '@brook/core/bleed/rules';
import { Job, Workshop } from '../../db/models';
import { fluidUsedOf } from '../../journal/job/fluidUsed';
import { openItemsOf } from '../../journal/rows/openItems';
import { refused } from '../../http/problems/kinds';
import { houseRulesOf } from '../../workshop/rules/service';
import type { Actor } from '../../session/actor';
import { findVehicle } from '../../workshop/vehicle/findVehicle';
import { vehicleHistoryOf } from '../../vehicle/history';
import type { Face } from './letters';
import { drawCode, HAIRLINE, INK, newSheet, SOFT } from './paper';
import { Writing, type Style } from './writing';

/** A6 upright, in points (ISO 216: 105 × 148 mm). */
const PAGE = { width: 297.64, height: 419.53 } as const;
const EDGE = 20;
const INNER = PAGE.width - 2 * EDGE;

/** More jobs than a vehicle has in its life. */
const MOST_JOBS = 10_000;

interface Tag {
  readonly workshop: string;
  readonly head: string;
  readonly name: string;
  readonly lines: readonly string[];
  readonly foot: string;
  readonly striped: boolean;
}

/**
 * The tag for the wheel of a vehicle that must not be driven: why, since when,
 * and what settles it.
 *
 * @throws a refusal where nothing holds it: no tag says that a vehicle is safe
 */
export async function wheelTag(actor: Actor, id: string, address: string): Promise<Buffer> {
  const vehicle = await findVehicle(actor, id);
  if (vehicle.driveState === 'free')
    throw refused('Nothing on record holds this vehicle; there is no tag to hang on its wheel.');
  const { name, timeZone } = await Workshop.findByPk(actor.workshopId, { rejectOnEmpty: true });
  const openItems = ((await openItemsOf([id])).get(id) ?? []).filter(holds);
  const since = vehicle.driveSince
    ? new Intl.DateTimeFormat('en-GB', {
        dateStyle: 'medium',
        timeStyle: 'short',
        timeZone,
      }).format(vehicle.driveSince)
    : null;
  return drawn(
    {
      workshop: name,
      head: vehicle.driveState === 'do not drive' ? 'DO NOT DRIVE' : 'TEST DRIVE ONLY',
      name: `${vehicle.name} · ${vehicle.tag}`,
      lines: [
        since && `Since ${since}`,
        ...groupOpenItems(openItems).map((g) => `${g.title}. ${g.clearsWhen}`),
        openItems.length === 0 ? vehicle.driveReason : null,
      ].filter((line): line is string => line !== null),
      foot: 'Scan it for what is next. Only the proof and a named person take this tag off.',
      striped: true,
    },
    address,
  );
}

/**
 * The tag for the reservoir: what is in it, out of which batch, and when it is due.
 *
 * @throws a refusal where no change of its fluid is on record
 */
export async function reservoirTag(actor: Actor, id: string, address: string): Promise<Buffer> {
  const vehicle = await findVehicle(actor, id);
  const { name, timeZone } = await Workshop.findByPk(actor.workshopId, { rejectOnEmpty: true });
  const history = await vehicleHistoryOf(actor, id, { limit: MOST_JOBS });
  const last = history.changes.at(-1);
  if (!last)
    throw refused(
      'No change of the whole fluid is on record here; there is nothing to tag it with.',
    );
  const job = await Job.findByPk(last.jobId, { rejectOnEmpty: true });
  const used = await fluidUsedOf(job.id);
  const rules = job.fluid?.rules ?? (await houseRulesOf(actor));
  const { months, by } = intervalFor(
    vehicle.layout.vehicleKind,
    rules,
    vehicle.makerEntry?.intervalMonths ?? null,
  );
  const day = (ms: number) =>
    new Intl.DateTimeFormat('en-GB', { month: 'long', year: 'numeric', timeZone }).format(ms);
  const batches = (used?.containers ?? []).filter((c) => c.pouredMl > 0).map((c) => c.batch);
  return drawn(
    {
      workshop: name,
      head: last.grade,
      name: `${vehicle.name} · ${vehicle.tag}`,
      lines: [
        job.fluid?.newDye ? `Dyed ${job.fluid.newDye}` : null,
        batches.length > 0 ? `Batch ${batches.join(', ')}` : null,
        `Filled ${day(last.atMs)}, job ${last.jobNumber}`,
        `Due ${day(last.atMs + months * MONTH_MS)}, by ${by === 'maker' ? 'its maker' : 'the house rule'}`,
      ].filter((line): line is string => line !== null),
      foot: 'Top up with nothing else. A level that falls is worn pads or a leak: look first.',
      striped: false,
    },
    address,
  );
}

function drawn(tag: Tag, address: string): Promise<Buffer> {
  const { doc, whole } = newSheet('A6', {
    title: `${tag.head}: ${tag.name}`,
    author: tag.workshop,
  });
  // A hole to hang it by.
  doc
    .circle(PAGE.width / 2, 22, 7)
    .lineWidth(1)
    .strokeColor(HAIRLINE)
    .stroke();
  if (tag.striped) {
    doc.save().rect(0, 40, PAGE.width, 14).clip().lineWidth(7).strokeColor(INK);
    for (let x = -20; x < PAGE.width + 20; x += 16)
      doc
        .moveTo(x, 58)
        .lineTo(x + 22, 36)
        .stroke();
    doc.restore();
  }
  let y = 70;
  const writing = new Writing(doc);
  const soft: Style = { face: 'words', size: 9, color: SOFT };
  writing.write(tag.workshop, soft, { x: EDGE, y, width: INNER });
  y += 16;
  const write = (words: string, face: Face, size: number, gap: number) => {
    const style = { face, size, color: INK };
    // What does not fit any more stands behind the code.
    if (y + writing.heightOf(words, style, INNER) > PAGE.height - 112) return;
    y += writing.write(words, style, { x: EDGE, y, width: INNER }) + gap;
  };
  write(tag.head, 'strong', 32, 4);
  write(tag.name, 'strong', 12, 10);
  for (const line of tag.lines) write(line, 'words', 11, 6);
  const foot = PAGE.height - 100;
  doc
    .lineWidth(0.5)
    .strokeColor(HAIRLINE)
    .moveTo(EDGE, foot)
    .lineTo(EDGE + INNER, foot)
    .stroke();
  drawCode(doc, address, PAGE.width - EDGE - 76, foot + 12, 76);
  writing.write(tag.foot, soft, { x: EDGE, y: foot + 14, width: INNER - 92 });
  doc.end();
  return whole;
}
