import { ENTRY, figure, MODEL, PRACTICE, type Figure, type Source } from '../../base/figure';
import { boilingFigure, boilingPointC, measuredBoilingFigure } from './boiling';
import { limitsOf } from './compatibility';
import { CHEMISTRY, type Chemistry, type Grade } from './grades';
import type { IsoClass } from './limits';
import type { Clarity, Colour, Drops, Dye, ForeignSign } from './looks';

/** What was seen and measured at one point; null means that nobody looked or measured. */
export interface Sample {
  /** 'reservoir' or the id of a bleeder. */
  readonly point: string;
  readonly colour: Colour | null;
  readonly clarity: Clarity | null;
  readonly foreign: ForeignSign | null;
  /** A colour off the scale, or null. */
  readonly dye: Dye | null;
  readonly dropsInWater: Drops | null;
  /** Conductivity meter, % by mass, with the grade that was set on it. */
  readonly water: { readonly percent: number; readonly meterGrade: Grade } | null;
  /** Boiling tester, °C as read, with the air pressure in the workshop. */
  readonly boiling: { readonly observedC: number; readonly ambientHpa: number } | null;
  readonly copperPpm: number | null;
  readonly pH: number | null;
  /** Whether water or boiling point came from a practice instrument: it may fail a fluid, never pass it. */
  readonly practice: boolean;
}

export interface ConditionRequest {
  /** What is in the system now. */
  readonly grade: Grade;
  readonly isoClass: IsoClass | null;
  /** Dye of the last fill, as the record says; it explains a colour off the scale. */
  readonly lastDye: Dye | null;
  readonly samples: readonly Sample[];
}

/**
 * From the best to the worst. 'not measured' stands where nothing failed and
 * nothing that can pass was measured; 'test first' holds until drops were put in water.
 */
export const CONDITION_VERDICTS = [
  'good',
  'not measured',
  'replace at this visit',
  'replace now',
  'test first',
  'stop',
] as const;
export type ConditionVerdict = (typeof CONDITION_VERDICTS)[number];

export type ConditionCode =
  | 'other product'
  | 'layers'
  | 'silicone in glycol'
  | 'mineral oil'
  | 'drops part'
  | 'drops dissolve'
  | 'water test first'
  | 'particles'
  | 'dark'
  | 'boils below wet limit'
  | 'boils below visit limit'
  | 'boils well'
  | 'wet now'
  | 'wet this visit'
  | 'dry enough'
  | 'copper'
  | 'acid'
  | 'meter says nothing'
  | 'practice reading'
  | 'boiling replaces water'
  | 'reservoir understates'
  | 'colour does not pass';

/** One finding: at which point, what it asks for, and how far from its limit. */
export interface ConditionReason {
  readonly code: ConditionCode;
  readonly point: string;
  /** What this finding alone asks for. */
  readonly asks: ConditionVerdict;
  readonly source: Source;
  /** Distance to the limit in the reading's own unit; negative is past it. Null where there is no number. */
  readonly margin: Figure | null;
}

export interface ConditionAnswer {
  readonly verdict: ConditionVerdict;
  /** The findings that the verdict rests on: the worst point governs. */
  readonly governing: readonly ConditionReason[];
  readonly reasons: readonly ConditionReason[];
  /** Every number that went in. */
  readonly inputs: readonly Figure[];
}

/** Water at which the trade replaces at this visit and at once, % by mass [C]. */
export const WATER_THIS_VISIT_PERCENT = 1.5;
export const WATER_NOW_PERCENT = 3;
/** Copper from which the corrosion inhibitors count as spent, ppm [C]. */
export const COPPER_VISIT_PPM = 200;
/** Lowest pH of a new glycol fluid, FMVSS 116 S5.1.4. */
export const PH_LEAST = 7;
/** What a boiling tester may be wrong by, °C [M]. */
const TESTER_ERROR_C = 10;
/** Within this of a limit a reservoir reading alone does not decide, % [M]. */
const NEAR_PERCENT = 0.3;

const PH_SOURCE: Source = { kind: 'standard', name: 'FMVSS 116 (49 CFR 571.116), S5.1.4' };

/** What to do about the fluid in a system, from every sample point; the worst governs. */
export function condition(request: ConditionRequest): ConditionAnswer {
  const reasons = request.samples.flatMap((s) => [...signs(request, s), ...readings(request, s)]);
  const measured = reasons.some(
    (r) => r.code === 'boils well' || r.code === 'dry enough' || asksMore(r),
  );
  const all = measured
    ? reasons
    : [...reasons, finding('colour does not pass', 'reservoir', 'not measured', PRACTICE)];
  const verdict = all.reduce<ConditionVerdict>(
    (worst, r) => (rank(r.asks) > rank(worst) ? r.asks : worst),
    'good',
  );
  return {
    verdict,
    governing: all.filter((r) => r.asks === verdict),
    reasons: all,
    inputs: request.samples.flatMap((s) => inputsOf(request, s)),
  };
}

/**
 * Boiling point below which a grade is replaced at this visit, °C: the trade's
 * 180 °C for DOT 4 [C], for another glycol what the formula gives for 1.5 %
 * water [M]. Silicone takes up no water that would lower it by and by: below its
 * dry limit, less what a tester may be wrong by, something else is in it [M].
 */
export function visitBoilingLimit(grade: Grade, isoClass: IsoClass | null): Figure {
  if (grade === 'DOT 4' && isoClass === null) {
    return figure({
      label: 'Replace below, at this visit',
      value: 180,
      unit: '°C',
      rule: 'the trade’s limit for DOT 4',
      source: PRACTICE,
    });
  }
  const limits = limitsOf(grade, isoClass);
  if (CHEMISTRY[grade] === 'silicone')
    return figure({
      label: 'Replace below, at this visit',
      value: limits.dryC - TESTER_ERROR_C,
      unit: '°C',
      rule: `the standard’s dry limit less ${TESTER_ERROR_C} °C that a tester may be wrong by: silicone takes up no water, below that something else is in it`,
      source: MODEL,
      from: [
        figure({
          label: 'Dry boiling point, at least',
          value: limits.dryC,
          unit: '°C',
          rule: 'limit of the standard',
          source: limits.source,
        }),
      ],
    });
  return figure({
    label: 'Replace below, at this visit',
    value: boilingPointC(limits, WATER_THIS_VISIT_PERCENT),
    unit: '°C',
    rule: `boiling point of this grade with ${WATER_THIS_VISIT_PERCENT} % water, interpolated between its limits`,
    source: MODEL,
  });
}

/** The trade's limits on water, for a chart. */
export function waterLimits(): { readonly visit: Figure; readonly now: Figure } {
  const limit = (label: string, value: number) =>
    figure({ label, value, unit: '%', rule: 'the trade’s limit, % by mass', source: PRACTICE });
  return {
    visit: limit('Limit: replace at a visit', WATER_THIS_VISIT_PERCENT),
    now: limit('Limit: replace now', WATER_NOW_PERCENT),
  };
}

const rank = (v: ConditionVerdict): number => CONDITION_VERDICTS.indexOf(v);
const asksMore = (r: ConditionReason): boolean => rank(r.asks) > rank('not measured');

function finding(
  code: ConditionCode,
  point: string,
  asks: ConditionVerdict,
  source: Source,
  margin: Figure | null = null,
): ConditionReason {
  return { code, point, asks, source, margin };
}

/** What is seen, felt and smelt. */
function signs({ grade, lastDye }: ConditionRequest, s: Sample): ConditionReason[] {
  const found: ConditionReason[] = [];
  const add = (code: ConditionCode, asks: ConditionVerdict) =>
    found.push(finding(code, s.point, asks, PRACTICE));
  const chemistry = CHEMISTRY[grade];
  const glycol = chemistry === 'glycol';
  if (s.foreign === 'thick or greasy') add('other product', 'stop');
  if (s.foreign === 'layers') add('layers', 'stop');
  if (s.foreign === 'oil film, green or red' && chemistry !== 'mineral') add('mineral oil', 'stop');
  if (s.foreign === 'purple or beads in water' && glycol) add('silicone in glycol', 'stop');
  if (glycol && s.dropsInWater === 'part') add('drops part', 'stop');
  if (!glycol && s.dropsInWater === 'dissolve') add('drops dissolve', 'stop');
  if (s.dropsInWater === null && !isExplained(chemistry, s, lastDye))
    add('water test first', 'test first');
  if (s.clarity === 'particles') add('particles', 'replace now');
  if (glycol && (s.colour === 'brown' || s.colour === 'black'))
    add('dark', 'replace at this visit');
  return found;
}

/** Whether the colour can be told from the chemistry and the dye of the last fill. Silicone's purple fades, so its lack proves nothing; something else in its place must be tested. */
function isExplained(chemistry: Chemistry, s: Sample, lastDye: Dye | null): boolean {
  if (s.dye !== null && s.dye === lastDye) return true;
  if (chemistry === 'glycol') return s.dye === null;
  if (s.colour === null && s.dye === null) return true;
  return chemistry === 'silicone'
    ? s.dye === 'purple' || s.foreign === 'purple or beads in water'
    : s.dye === 'green' || s.foreign === 'oil film, green or red';
}

/** What is measured. A valid boiling reading of the same point replaces the water reading. */
function readings(request: ConditionRequest, s: Sample): ConditionReason[] {
  const found: ConditionReason[] = [];
  const glycol = CHEMISTRY[request.grade] === 'glycol';
  const boils =
    s.boiling && request.grade !== 'mineral oil'
      ? boilingFinding(request, s.point, s.boiling)
      : null;
  if (boils) found.push(boils);
  // Strips are read by a person: they count whatever instrument was practised with.
  const strips = glycol ? stripFindings(s) : [];
  if (s.practice)
    return [
      ...[...found, ...(s.water && !boils ? waterFindings(s.point, s.water.percent) : [])].map(
        (r) => (r.asks === 'good' ? finding('practice reading', s.point, 'good', PRACTICE) : r),
      ),
      ...strips,
    ];
  if (s.water && !(glycol && s.water.meterGrade === request.grade))
    found.push(finding('meter says nothing', s.point, 'good', PRACTICE));
  else if (s.water && boils)
    found.push(finding('boiling replaces water', s.point, 'good', PRACTICE));
  else if (s.water) found.push(...waterFindings(s.point, s.water.percent));
  return [...found, ...strips];
}

/** What strips tell of a glycol fluid: spent inhibitors, and acid. */
function stripFindings({ point, copperPpm, pH }: Sample): ConditionReason[] {
  const found: ConditionReason[] = [];
  if (copperPpm !== null && copperPpm >= COPPER_VISIT_PPM)
    found.push(
      finding(
        'copper',
        point,
        'replace at this visit',
        PRACTICE,
        marginTo('ppm', COPPER_VISIT_PPM, COPPER_VISIT_PPM - copperPpm, PRACTICE),
      ),
    );
  if (pH !== null && pH < PH_LEAST)
    found.push(
      finding(
        'acid',
        point,
        'replace at this visit',
        PH_SOURCE,
        marginTo('pH', PH_LEAST, pH - PH_LEAST, PH_SOURCE),
      ),
    );
  return found;
}

function boilingFinding(
  { grade, isoClass }: ConditionRequest,
  point: string,
  read: NonNullable<Sample['boiling']>,
): ConditionReason {
  const boils = measuredBoilingFigure(read.observedC, read.ambientHpa).value;
  const limits = limitsOf(grade, isoClass);
  if (boils < limits.wetC)
    return finding(
      'boils below wet limit',
      point,
      'replace now',
      limits.source,
      marginTo('°C', limits.wetC, boils - limits.wetC, limits.source),
    );
  const visit = visitBoilingLimit(grade, isoClass);
  const margin = marginTo('°C', visit.value, boils - visit.value, visit.source);
  return boils < visit.value
    ? finding('boils below visit limit', point, 'replace at this visit', visit.source, margin)
    : finding('boils well', point, 'good', visit.source, margin);
}

function waterFindings(point: string, percent: number): ConditionReason[] {
  const to = (limit: number) => marginTo('%', limit, limit - percent, PRACTICE);
  const near =
    point === 'reservoir' &&
    [WATER_THIS_VISIT_PERCENT, WATER_NOW_PERCENT].some(
      (limit) => limit > percent && limit - percent <= NEAR_PERCENT,
    );
  const understates = near ? [finding('reservoir understates', point, 'good', PRACTICE)] : [];
  if (percent >= WATER_NOW_PERCENT)
    return [finding('wet now', point, 'replace now', PRACTICE, to(WATER_NOW_PERCENT))];
  if (percent >= WATER_THIS_VISIT_PERCENT)
    return [
      finding(
        'wet this visit',
        point,
        'replace at this visit',
        PRACTICE,
        to(WATER_THIS_VISIT_PERCENT),
      ),
      ...understates,
    ];
  return [
    finding('dry enough', point, 'good', PRACTICE, to(WATER_THIS_VISIT_PERCENT)),
    ...understates,
  ];
}

function marginTo(
  unit: '°C' | '%' | 'ppm' | 'pH',
  limit: number,
  value: number,
  source: Source,
): Figure {
  return figure({
    label: 'Distance to the limit',
    value,
    unit,
    isDifference: true,
    rule: `to the limit of ${Number(limit.toFixed(1))} ${unit}; below 0 is past it`,
    source,
  });
}

function inputsOf({ grade, isoClass }: ConditionRequest, s: Sample): Figure[] {
  const entry = (label: string, value: number, unit: '%' | 'ppm' | 'pH', rule: string) =>
    figure({ label: `${label}, ${s.point}`, value, unit, rule, source: ENTRY });
  const water =
    s.water &&
    entry('Water', s.water.percent, '%', `read off the meter, set to ${s.water.meterGrade}`);
  const estimates =
    water && !s.boiling && CHEMISTRY[grade] === 'glycol' && s.water!.meterGrade === grade;
  return [
    ...(water ? [water] : []),
    ...(estimates
      ? [
          {
            ...boilingFigure(limitsOf(grade, isoClass), water),
            label: `Boiling point by its water, ${s.point}`,
          },
        ]
      : []),
    ...(s.boiling
      ? [
          {
            ...measuredBoilingFigure(s.boiling.observedC, s.boiling.ambientHpa),
            label: `Boiling point, ${s.point}`,
          },
        ]
      : []),
    ...(s.copperPpm === null ? [] : [entry('Copper', s.copperPpm, 'ppm', 'read off a strip')]),
    ...(s.pH === null ? [] : [entry('pH', s.pH, 'pH', 'read off a strip')]),
  ];
}
