import { historyReading, MONTH_MS } from '../../fluid/ageing';
import type { Layout } from '../../vehicle/circuit';
import { gradeNamed, type Grade } from '../../fluid/verdict';
import { takeUpWords } from '../gate';
import { CHECK_WORDS, CONTROL_CHECK_WORDS, PROOF_ITEMS } from '../items';
import {
  jointsOf,
  measuredAt,
  overridesOf,
  tightnessOf,
  type ControlOnRecord,
  type JobState,
  type TakeUpRead,
} from '../log';
import { airWords, type AirLeft, type ControlMeasured } from '../../control/pedal';
import type { Plan } from '../../bleed/plan';
import { intervalFor, type HouseRules } from '../../bleed/rules';
import { doneAt, planAgainstActual, stageLines, type ActualRow } from '../run';
import { type Tightened } from '../events';
import { nameOf, workTitle } from '../../bleed/scope';
import { capital } from '../../base/text';
import { jointWords } from '../../vehicle/torque';
import { convertTorque } from '../../base/units';

/** How a value came about: read off an instrument or ruler, felt or seen by a person, or reckoned. */
export type CardSource = 'measured' | 'by feel' | 'seen' | 'model' | 'recorded';

/** One line of the card: what, its value with the unit, and how it came about. */
export interface CardLine {
  readonly what: string;
  readonly value: string;
  readonly source: CardSource;
}

/** One opening of a bleeder, plan against done. */
export interface CardOpening {
  /** Which opening it was, counted from 1. */
  readonly number: number;
  readonly place: string;
  readonly plannedStrokes: number;
  readonly strokes: number;
  readonly plannedMl: number;
  readonly bledMl: number;
  /** Last reading of its bubbles; null where nobody looked. */
  readonly bubbles: string | null;
  readonly colour: string | null;
  /** "by feel", or the torque in N·m and lbf·ft. */
  readonly tightened: string;
  /** Why it was left shut; null where it was bled. */
  readonly left: string | null;
}

/** What was poured out of one container. */
export interface CardPoured {
  readonly grade: string;
  readonly batch: string;
  readonly ml: number;
}

/** A job as it is handed over: one page, by a published schema. All volumes in mL, moments in ms since 1970. */
export interface JobCard {
  readonly version: 1;
  readonly workshop: string;
  readonly jobNumber: number;
  readonly vehicle: { readonly name: string; readonly tag: string; readonly layout: string };
  /** What was done, in one line. */
  readonly title: string;
  readonly outcome: {
    readonly is: 'released' | 'ended unreleased' | 'under way';
    readonly by: string | null;
    readonly atMs: number | null;
    readonly reason: string | null;
  };
  readonly before: readonly CardLine[];
  readonly after: readonly CardLine[];
  readonly openings: readonly CardOpening[];
  /** Ids of the bleeders in the order of the plan, as the brook numbers them. */
  readonly order: readonly string[];
  readonly steps: readonly string[];
  readonly fluid: {
    readonly poured: readonly CardPoured[];
    readonly bledMl: number;
    readonly removedMl: number;
    readonly spilledMl: number;
    /** Whether what was bled was counted or read off a jar. */
    readonly bledBy: 'strokes' | 'measured';
  } | null;
  /** What was looked at and tried, by whom. */
  readonly checks: readonly {
    readonly what: string;
    readonly passes: boolean;
    readonly by: string;
    readonly atMs: number;
    /** Whether a photo shows it. */
    readonly photo: boolean;
  }[];
  /** Paper that a lead let go, and why. */
  readonly overridden: readonly {
    readonly what: string;
    readonly why: string;
    readonly by: string;
  }[];
  readonly people: readonly { readonly name: string; readonly did: string }[];
  /** What the vehicle owed and this job cleared, and what it still owes. */
  readonly cleared: readonly string[];
  readonly left: readonly string[];
  /** When the fluid is due again; null where not all of it was renewed. */
  readonly due: { readonly atMs: number; readonly by: 'maker' | 'house rule' } | null;
}

/** What a card is made from. */
export interface CardFacts {
  readonly workshop: string;
  readonly jobNumber: number;
  readonly vehicle: { readonly name: string; readonly tag: string };
  readonly job: JobState;
  readonly layout: Layout;
  readonly plan: Plan | null;
  /** What was recorded of its fluid; null where nobody has. */
  readonly used: {
    readonly containers: readonly {
      readonly grade: string;
      readonly batch: string;
      readonly pouredMl: number;
    }[];
    readonly bledMl: number;
    readonly bledBy: 'strokes' | 'measured';
    readonly removedMl: number;
    readonly spilledMl: number;
  } | null;
  readonly controls: readonly ControlOnRecord[];
  /** Air left by master, where it was measured. */
  readonly air: Readonly<Record<string, AirLeft>>;
  /** Open items that this job cleared, in words. */
  readonly cleared: readonly string[];
  /** What it leaves open, in words. */
  readonly left: readonly string[];
  readonly rules: HouseRules;
  readonly makerMonths: number | null;
}

/** The card of a job, whatever state it is in: what nobody measured or looked at is not on it. */
export function jobCard(facts: CardFacts): JobCard {
  const { job, plan, layout, used, controls } = facts;
  const { released, ended, run } = job;
  const rows = run ? planAgainstActual(run).flatMap((leg) => leg.rows) : [];
  const at = released ?? ended;
  return {
    version: 1,
    workshop: facts.workshop,
    jobNumber: facts.jobNumber,
    vehicle: { ...facts.vehicle, layout: layout.name },
    title: titleOf(facts),
    outcome: {
      is: released ? 'released' : ended ? 'ended unreleased' : 'under way',
      by: at?.person ?? null,
      atMs: at?.atMs ?? null,
      reason: ended && !released ? ended.reason : null,
    },
    before: [...fluidBefore(job), ...controls.flatMap((c) => heightsAt(c, 'servo emptied'))],
    after: controls.flatMap((c) => controlAfter(c, facts.air[c.masterId] ?? null)),
    openings: rows.map((row, i) => openingOf(row, i, tightnessOf(row, job.log))),
    order: plan ? [...new Set(plan.openings.map((s) => s.bleeder.id))] : [],
    steps: [
      ...(run ? stageLines(run) : []),
      ...jointsOf(job.log).map((j) => `${nameOf(layout, j.elementId)} ${jointWords(j)}`),
    ],
    fluid: used && {
      poured: used.containers
        .filter((c) => c.pouredMl > 0)
        .map(({ grade, batch, pouredMl }) => ({ grade, batch, ml: pouredMl })),
      bledMl: used.bledMl,
      removedMl: used.removedMl,
      spilledMl: used.spilledMl,
      bledBy: used.bledBy,
    },
    checks: checksOf(job, layout),
    overridden: overridesOf(job).map(({ what, why, person: by }) => ({ what, why, by })),
    people: peopleOf(job),
    cleared: facts.cleared,
    left: facts.left,
    due: dueOf(facts),
  };
}

/** What was done: the work as it was said, and whether it was proved. */
function titleOf({ job, controls }: CardFacts): string {
  const work = job.said?.work ?? job.run?.plan.work;
  const done = work ? workTitle(work) : 'Looked at';
  const proved = controls.map((c) => c.control).join(' and ');
  return job.released && proved ? `${done}, ${proved} proved` : done;
}

function fluidBefore({ fluid }: JobState): CardLine[] {
  if (!fluid) return [];
  const { samples, inSystem, verdict } = fluid.read;
  const grade: Grade | null = gradeNamed(inSystem) ?? verdict.advice.minimum?.grade ?? null;
  return samples.flatMap((s): CardLine[] => {
    const where = s.point === 'reservoir' ? 'reservoir' : 'at a bleeder';
    const read = grade ? historyReading(s, grade) : { waterPercent: null, boilingC: null };
    return [
      ...(s.colour
        ? [
            {
              what: `Fluid, ${where}`,
              value: [s.colour, s.clarity].filter(Boolean).join(', '),
              source: 'seen' as const,
            },
          ]
        : []),
      ...(read.waterPercent === null
        ? []
        : [
            {
              what: `Water, ${where}`,
              value: `${read.waterPercent.toFixed(1)} %`,
              source: 'measured' as const,
            },
          ]),
      ...(read.boilingC === null
        ? []
        : [
            {
              what: `Boils at, ${where}`,
              value: `${read.boilingC.toFixed(0)} °C`,
              source: 'measured' as const,
            },
          ]),
    ];
  });
}

/** The hardest first stroke that was read, as what is compared before and after. */
function heightsAt(control: ControlOnRecord, when: ControlMeasured['when']): CardLine[] {
  const firm = firmOf(measuredAt(control.measured, control.masterId, when));
  return firm
    ? [
        {
          what: `${capital(control.control)} at ${firm.at} N`,
          value: `${firm.heightMm} mm`,
          source: 'measured',
        },
      ]
    : [];
}

function firmOf(measured: ControlMeasured | null): { at: number; heightMm: number } | null {
  const forces = (measured?.readings ?? []).flatMap((r) =>
    typeof r.at === 'object' && !r.pumped ? [{ at: r.at.forceN, heightMm: r.heightMm }] : [],
  );
  return forces.length === 0 ? null : forces.reduce((a, b) => (b.at > a.at ? b : a));
}

function controlAfter(control: ControlOnRecord, air: AirLeft | null): CardLine[] {
  const { masterId, result, byMeasure, measured } = control;
  const here = measuredAt(measured, masterId, 'after');
  const name = capital(control.control);
  return [
    ...(result === null
      ? []
      : [
          {
            what: name,
            value: resultWords(control),
            // The worse of word and measure counts: it is of whoever said that one.
            source: byMeasure === result ? ('measured' as const) : ('by feel' as const),
          },
        ]),
    ...heightsAt(control, 'after'),
    ...(control.takeUp
      ? [
          {
            what: `${name} takes up at`,
            value: `${control.takeUp.takeUpMm} mm of ${control.takeUp.restMm} mm`,
            source: 'measured' as const,
          },
        ]
      : []),
    ...(control.takeUp ? clutchLines(name, control.takeUp) : []),
    ...sinkLine(`${name} held`, here?.sink),
    ...sinkLine(`${name}, engine running, held`, here?.sinkRunning),
    ...(air ? [{ what: 'Air left', value: airWords(air), source: 'model' as const }] : []),
  ];
}

/** How a control stood under a steady push; nothing where nobody watched. */
const sinkLine = (what: string, watch: ControlMeasured['sink'] | undefined): CardLine[] =>
  watch
    ? [
        {
          what: `${what} ${watch.seconds} s`,
          value: watch.mm === 0 ? 'stayed' : `sank ${watch.mm} mm`,
          source: 'measured',
        },
      ]
    : [];

/** What else was read at a clutch; of records from before that lack it nothing. */
function clutchLines(name: string, read: TakeUpRead): CardLine[] {
  const { playMm, endOfTravelMm = null, blockedMm = null } = read;
  return (
    [
      [`${name}, free play`, playMm],
      [`${name}, end of travel at`, endOfTravelMm],
      [`${name}, slave blocked: rod travel`, blockedMm],
    ] as const
  ).flatMap(([what, mm]) =>
    mm === null ? [] : [{ what, value: `${mm} mm`, source: 'measured' as const }],
  );
}

/** The word that counted: a clutch by where it takes up. */
function resultWords({ result, control }: ControlOnRecord): string {
  return result === 'near the end' ||
    result === 'lower half' ||
    result === 'middle' ||
    result === 'high'
    ? `takes up ${takeUpWords(result, control)}`
    : result!;
}

function openingOf(row: ActualRow, i: number, tightened: Tightened | null): CardOpening {
  return {
    number: i + 1,
    place: capital(row.place),
    plannedStrokes: row.plannedStrokes.value,
    strokes: row.strokes.value,
    plannedMl: Math.round(row.plannedMl.value),
    bledMl: Math.round(row.bledMl.value),
    bubbles: row.bubbles?.reading ?? null,
    colour: row.colour?.seen ?? null,
    tightened:
      tightened === null
        ? 'not shut'
        : tightened === 'by feel'
          ? 'by feel'
          : `${tightened.torqueNm} N·m, ${convertTorque(tightened.torqueNm, 'N·m', 'lbf·ft').toFixed(1)} lbf·ft`,
    left: row.left,
  };
}

function checksOf({ proof }: JobState, { vehicleKind, masters }: Layout): JobCard['checks'] {
  const order = [
    ...masters.flatMap((m) => Object.keys(CONTROL_CHECK_WORDS).map((item) => `${m.id} ${item}`)),
    ...PROOF_ITEMS[vehicleKind].map((item) => `null ${item}`),
  ];
  return proof.answers
    .filter((a) => a.item !== 'result')
    .map((a) => ({ a, place: order.indexOf(`${a.masterId} ${a.item}`) }))
    .sort((x, y) => x.place - y.place)
    .map(({ a }) => ({
      what:
        a.masterId === null
          ? CHECK_WORDS[a.item as keyof typeof CHECK_WORDS].ask
          : CONTROL_CHECK_WORDS[a.item as keyof typeof CONTROL_CHECK_WORDS].ask,
      passes: a.value === true,
      by: a.person,
      atMs: a.atMs,
      photo: proof.photos.some((p) => p.masterId === a.masterId && p.item === a.item),
    }));
}

/** Who did what, in the order in which they came. */
function peopleOf(job: JobState): JobCard['people'] {
  const did = new Map<string, Set<string>>();
  const add = (name: string | null | undefined, what: string) => {
    if (name) did.set(name, (did.get(name) ?? new Set()).add(what));
  };
  for (const e of job.log) {
    if (job.undone.has(e.id)) continue;
    if (e.kind === 'fluid read') add(e.person, 'read the fluid');
    else if (e.kind === 'stroke' || e.kind === 'shut') add(e.person, 'bled');
    else if (e.kind === 'checked' || e.kind === 'pedal judged' || e.kind === 'take-up judged')
      add(e.person, 'proved');
    else if (e.kind === 'pedal read' || e.kind === 'sink watched' || e.kind === 'take-up read')
      add(e.person, 'measured');
    else if (e.kind === 'overridden') add(e.person, 'let paper go');
    else if (e.kind === 'drive ended') add(e.person, 'drove');
    else if (e.kind === 'released') add(e.person, 'released');
  }
  add(job.takenIn?.helper, 'helped');
  return [...did].map(([name, what]) => ({ name, did: [...what].join(', ') }));
}

/** When the fluid is due again: an interval after it was released, where all of it was renewed. */
function dueOf({ job, layout, rules, makerMonths }: CardFacts): JobCard['due'] {
  const { run, released } = job;
  if (!run || !released) return null;
  const done = doneAt(run);
  if (!layout.bleeders.every((b) => done.get(b.id)?.renewed)) return null;
  const { months, by } = intervalFor(layout.vehicleKind, rules, makerMonths);
  return { atMs: released.atMs + months * MONTH_MS, by };
}

/** What is said of the fluid in one line. @example "DOT 4, K-119: 591 mL" */
export function pouredWords({ poured }: NonNullable<JobCard['fluid']>): string {
  return poured.map((p) => `${p.grade}, batch ${p.batch}: ${Math.round(p.ml)} mL`).join('; ');
}
