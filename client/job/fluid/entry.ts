import type { FluidEntry, Job, MakerEntry } from '@brook/contract';
import type { FluidRead } from '@brook/core/job/events';
import {
  CHEMISTRY,
  fluidVerdict,
  HOLD_WORDS,
  pressureAtAltitudeHpa,
  readingFault,
  type Clarity,
  type Colour,
  type Demand,
  type DemandSource,
  type Drops,
  type Dye,
  type FluidVerdict,
  type ForeignSign,
  type Grade,
  type IsoClass,
  type ReadingKind,
} from '@brook/core/fluid/verdict';
import { typedNumber } from '../../ui/typedNumber';

/** One sample point as it is filled in; readings as they are typed. */
export interface SampleDraft {
  readonly point: string;
  readonly colour: Colour | null;
  readonly dye: Dye | null;
  readonly clarity: Clarity | null;
  readonly foreign: ForeignSign | null;
  readonly dropsInWater: Drops | null;
  readonly water: string;
  /** Null until somebody says otherwise: the grade that belongs in the system. */
  readonly meterGrade: Grade | null;
  readonly boiling: string;
  readonly air: string;
  readonly airBy: 'pressure' | 'altitude';
  readonly copper: string;
  readonly pH: string;
  readonly practice: boolean;
}

/** The entry as it grows, answer by answer. */
export interface FluidDraft {
  /** Whether cap, ABS and seals are as the job before found them; null until somebody says so, 'no' where nothing is known. */
  readonly asBefore: 'yes' | 'no' | null;
  readonly cap: readonly Grade[];
  readonly capLowViscosity: boolean;
  readonly part: readonly Grade[];
  readonly follow: DemandSource | null;
  readonly followWhy: string;
  readonly control: FluidEntry['control'] | null;
  readonly seals: FluidEntry['seals'];
  readonly inSystem: FluidEntry['inSystem'];
  readonly samples: readonly SampleDraft[];
  readonly fill: { readonly grade: Grade; readonly isoClass: IsoClass | null } | null;
  readonly labelRead: Grade | null;
  readonly newColour: Colour | null;
  readonly newDye: Dye | null;
}

/** What is known of a vehicle before anybody looks. */
export interface Known {
  readonly maker: MakerEntry | null;
  readonly lastDye: Dye | null;
  readonly lastGrade: Grade | null;
  /** Cap, ABS and seals as the job before found them. */
  readonly before: Job['knownFluid'];
  /** Whether its layout has a modulator; null while that is not known. */
  readonly hasModulator: boolean | null;
  /** Whether it was taken in as new or dry: then there is nothing in it. */
  readonly dry?: boolean;
}

/** A sample point that nobody has looked at. */
export function emptySample(point: string): SampleDraft {
  return {
    point,
    colour: null,
    dye: null,
    clarity: null,
    foreign: null,
    dropsInWater: null,
    water: '',
    meterGrade: null,
    boiling: '',
    ...airHere(0),
    copper: '',
    pH: '',
    practice: false,
  };
}

/** What a job holds already, as a draft to go on with; what is known stands in it from the start. */
export function draftOf(entry: FluidRead | null, known: Known): FluidDraft {
  const named = (source: DemandSource) => entry?.demands.find((d) => d.source === source);
  return {
    asBefore: entry ? saidBefore(entry, known) : known.before ? null : 'no',
    cap: [...(named('cap')?.grades ?? [])],
    capLowViscosity: named('cap')?.lowViscosity ?? false,
    part: [...(named('part')?.grades ?? [])],
    follow: entry?.follow?.source ?? null,
    followWhy: entry?.follow?.why ?? '',
    control: entry?.control ?? (known.hasModulator ? 'ABS' : null),
    seals: entry?.seals ?? 'ordinary',
    inSystem: entry?.inSystem ?? (known.dry ? 'empty' : (known.lastGrade ?? 'unknown')),
    samples:
      entry && entry.samples.length > 0
        ? entry.samples.map(sampleDraft)
        : [emptySample('reservoir')],
    fill: entry?.fill ? { grade: entry.fill.grade, isoClass: entry.fill.isoClass } : null,
    labelRead: entry?.fill?.labelRead ?? null,
    newColour: entry?.newColour ?? null,
    newDye: entry?.newDye ?? null,
  };
}

/** Whether what was said on this job is what the job before found. */
function saidBefore({ demands, control, seals }: FluidRead, { before }: Known): 'yes' | 'no' {
  const cap = demands.find((d) => d.source === 'cap');
  return before &&
    cap?.grades.join() === before.cap.join() &&
    cap.lowViscosity === before.lowViscosity &&
    control === before.control &&
    seals === before.seals
    ? 'yes'
    : 'no';
}

/** What follows when somebody says whether it is all as before: what was known is taken up, or asked anew. */
export function asBefore(answer: 'yes' | 'no', known: Known): Partial<FluidDraft> {
  const { before } = known;
  if (answer === 'no' || !before)
    return {
      asBefore: 'no',
      cap: [],
      capLowViscosity: false,
      control: known.hasModulator ? 'ABS' : null,
      seals: 'ordinary',
    };
  return {
    asBefore: 'yes',
    cap: before.cap,
    capLowViscosity: before.lowViscosity,
    control: before.control,
    seals: before.seals,
  };
}

function sampleDraft(s: FluidRead['samples'][number]): SampleDraft {
  const text = (value: number | null | undefined) => value?.toString() ?? '';
  return {
    ...emptySample(s.point),
    colour: s.colour,
    dye: s.dye,
    clarity: s.clarity,
    foreign: s.foreign,
    dropsInWater: s.dropsInWater,
    water: text(s.water?.percent),
    meterGrade: s.water?.meterGrade ?? null,
    boiling: text(s.boiling?.observedC),
    air: s.boiling ? text(s.boiling.ambientHpa) : '1013',
    copper: text(s.copperPpm),
    pH: text(s.pH),
    practice: s.practice,
  };
}

/** The sentence for one reading of a sample, or null when it is empty or can be right. */
export function readingEntryFault(kind: ReadingKind, text: string): string | null {
  return text.trim() === '' ? null : readingFault(kind, typedNumber(text));
}

/** How the air is said where a boiling point is read first: of a workshop that lies high, by its altitude. */
export const airHere = (altitudeM: number): Pick<SampleDraft, 'air' | 'airBy'> =>
  altitudeM === 0
    ? { airBy: 'pressure', air: '1013' }
    : { airBy: 'altitude', air: String(altitudeM) };

/** Pressure of the air at a sample, hPa; null where what was typed cannot be right. */
export function ambientHpaOf(s: Pick<SampleDraft, 'air' | 'airBy'>): number | null {
  const kind = s.airBy === 'pressure' ? 'ambientHpa' : 'altitudeM';
  if (s.air.trim() === '' || readingFault(kind, typedNumber(s.air))) return null;
  return s.airBy === 'pressure' ? typedNumber(s.air) : pressureAtAltitudeHpa(typedNumber(s.air));
}

/** Every reading of a sample that cannot be right, by its field. */
export function sampleFaults(
  s: SampleDraft,
): Partial<Record<'water' | 'boiling' | 'air' | 'copper' | 'pH', string>> {
  const air =
    s.boiling.trim() === ''
      ? null
      : s.air.trim() === ''
        ? 'Give the air pressure, or the altitude, of the place.'
        : readingEntryFault(s.airBy === 'pressure' ? 'ambientHpa' : 'altitudeM', s.air);
  const all = {
    water: readingEntryFault('waterPercent', s.water),
    boiling: readingEntryFault('boilingC', s.boiling),
    air,
    copper: readingEntryFault('copperPpm', s.copper),
    pH: readingEntryFault('pH', s.pH),
  };
  return Object.fromEntries(
    Object.entries(all).filter(([, fault]) => fault !== null),
  ) as ReturnType<typeof sampleFaults>;
}

/** The grade that a meter is taken to be set to: what is inside, else what the cap names. */
export function expectedGrade(draft: Pick<FluidDraft, 'inSystem' | 'cap'>, known: Known): Grade {
  if (draft.inSystem !== 'unknown' && draft.inSystem !== 'empty') return draft.inSystem;
  return draft.cap[0] ?? known.maker?.grades[0] ?? 'DOT 4';
}

/** Who asks for what; the maker's entry of the vehicle comes first. */
export function demandsOf(draft: FluidDraft, known: Known): Demand[] {
  const maker =
    known.maker && known.maker.grades.length > 0
      ? [
          {
            source: 'maker' as const,
            grades: known.maker.grades,
            lowViscosity: known.maker.lowViscosity,
          },
        ]
      : [];
  return [
    ...maker,
    ...(draft.cap.length > 0
      ? [{ source: 'cap' as const, grades: [...draft.cap], lowViscosity: draft.capLowViscosity }]
      : []),
    ...(draft.part.length > 0
      ? [{ source: 'part' as const, grades: [...draft.part], lowViscosity: false }]
      : []),
  ];
}

/** The samples as they are sent; a reading that cannot be right counts as not taken. */
export function samplesOf(draft: FluidDraft, known: Known): FluidEntry['samples'] {
  const number = (text: string, faulty: boolean) =>
    text.trim() === '' || faulty ? null : typedNumber(text);
  return draft.samples.map((s) => {
    const faults = sampleFaults(s);
    const water = number(s.water, Boolean(faults.water));
    const boiling = number(s.boiling, Boolean(faults.boiling ?? faults.air));
    return {
      point: s.point,
      colour: s.colour,
      clarity: s.clarity,
      foreign: s.foreign,
      dye: s.dye,
      dropsInWater: s.dropsInWater,
      water:
        water === null
          ? null
          : { percent: water, meterGrade: s.meterGrade ?? expectedGrade(draft, known) },
      boiling: boiling === null ? null : { observedC: boiling, ambientHpa: ambientHpaOf(s)! },
      copperPpm: number(s.copper, Boolean(faults.copper)),
      pH: number(s.pH, Boolean(faults.pH)),
      practice: s.practice,
    };
  });
}

/** The verdict on what is there so far. */
export function verdictSoFar(draft: FluidDraft, known: Known): FluidVerdict {
  return fluidVerdict({
    demands: demandsOf(draft, known),
    follow: draft.followWhy.trim().length >= 3 ? draft.follow : null,
    control: draft.control ?? 'none',
    seals: draft.seals,
    inSystem: draft.inSystem,
    lastDye: known.lastDye,
    samples: samplesOf(draft, known),
    fill: draft.fill,
  });
}

/** The fluid step in its parts, each one look or one act at the vehicle. */
export const FLUID_PARTS = ['cap', 'look', 'measure', 'fill'] as const;
export type FluidPart = (typeof FLUID_PARTS)[number];

/** What is still asked, and in which part. */
export interface OpenPoint {
  readonly part: FluidPart;
  readonly say: string;
}

/** The parts that this vehicle has: of a dry one nothing is looked at, and what is only looked at takes no fluid. */
export function partsOf(
  draft: Pick<FluidDraft, 'inSystem'>,
  onlyLooks: boolean,
): readonly FluidPart[] {
  const dry = draft.inSystem === 'empty';
  return FLUID_PARTS.filter((p) =>
    p === 'cap' ? true : p === 'fill' ? !onlyLooks : !dry || onlyLooks,
  );
}

/** What is still asked, in the order in which a technician meets it; empty when all is answered. A stop needs nothing more. */
export function openPoints(draft: FluidDraft, known: Known): readonly OpenPoint[] {
  const verdict = verdictSoFar(draft, known);
  const { hold, fill } = verdict;
  const reservoir = draft.samples.find((s) => s.point === 'reservoir');
  const points: OpenPoint[] = [];
  const ask = (open: boolean, part: FluidPart, say: string) =>
    open ? points.push({ part, say }) : undefined;
  ask(
    draft.samples.some((s) => Object.keys(sampleFaults(s)).length > 0),
    'measure',
    'Put the readings right first',
  );
  if (verdict.verdict === 'stop') return points;
  ask(draft.asBefore === null, 'cap', 'Is it as before? Say that first');
  const ofCap = hold === 'read the cap' || hold === 'demands conflict';
  if (ofCap) ask(true, 'cap', HOLD_WORDS[hold].title);
  ask(!draft.control, 'cap', 'Say whether it has ABS first');
  ask(
    draft.inSystem !== 'empty' &&
      (!reservoir ||
        (!reservoir.colour && !reservoir.dye) ||
        !reservoir.clarity ||
        !reservoir.foreign),
    'look',
    'Look at the reservoir first',
  );
  if (hold && !ofCap) ask(true, hold === 'water test' ? 'look' : 'fill', HOLD_WORDS[hold].title);
  if (fill?.secondLook)
    ask(
      draft.labelRead !== draft.fill!.grade,
      'fill',
      draft.labelRead === null ? 'Read the label once more' : 'That is another fluid: choose again',
    );
  ask(!draft.newColour, 'fill', 'Look at the new fluid first');
  return points;
}

/** What is asked next, or null when all is answered. */
export const unanswered = (draft: FluidDraft, known: Known): string | null =>
  openPoints(draft, known)[0]?.say ?? null;

/** The entry, once nothing is unanswered. */
export function entryOf(draft: FluidDraft, known: Known): FluidEntry | null {
  return unanswered(draft, known) ? null : assembled(draft, known);
}

function assembled(draft: FluidDraft, known: Known): FluidEntry {
  return {
    demands: demandsOf(draft, known).map((d) => ({ ...d, grades: [...d.grades] })),
    follow:
      draft.follow && draft.followWhy.trim()
        ? { source: draft.follow, why: draft.followWhy.trim() }
        : null,
    control: draft.control ?? 'none',
    seals: draft.seals,
    inSystem: draft.inSystem,
    samples: samplesOf(draft, known),
    fill: draft.fill && { ...draft.fill, labelRead: draft.labelRead },
    newColour: draft.newColour,
    newDye: draft.newDye,
  };
}

/** What was only looked at, to be kept without anything going in; null while even that cannot be told. */
export function readingsOf(draft: FluidDraft, known: Known): FluidEntry | null {
  const onlyRead = { ...draft, fill: null, labelRead: null, newColour: null, newDye: null };
  if (
    verdictSoFar(onlyRead, known).hold !== 'choose a fluid' ||
    draft.samples.some((s) => Object.keys(sampleFaults(s)).length > 0)
  )
    return null;
  return assembled(onlyRead, known);
}

/** Whether a water reading can say anything of what is in the system. */
export const takesWaterMeter = (grade: Grade): boolean => CHEMISTRY[grade] === 'glycol';
