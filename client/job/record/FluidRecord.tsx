import type { FluidUsedRecord, Job } from '@brook/contract';
import { ARITHMETIC, ENTRY, figure } from '@brook/core/base/figure';
import { VERDICT_WORDS, type DemandSource } from '@brook/core/fluid/verdict';
import { SCHOOLS } from '@brook/core/bleed/rules';
import { fluidBalance } from '@brook/core/fluid/shelf';
import { router } from 'expo-router';
import { View } from 'react-native';
import { ConditionView, FillReasons, MinimumView } from '../fluid/FluidVerdictView';
import { capital } from '@brook/core/base/text';
import { clockTime, shortDate } from '../../ui/dates';
import { FigureRow } from '../../ui/FigureValue';
import { More } from '../../ui/More';
import { Button } from '../../ui/Button';
import { Words } from '../../ui/Words';
import { Section } from './Section';

const WHO: Readonly<Record<DemandSource, string>> = { maker: 'Maker', cap: 'Cap', part: 'Part' };

/** What was read, seen and measured, the verdict on it, and the house rules that were in force. */
export function FluidRecord({ job }: { readonly job: Job }) {
  const fluid = job.fluid!;
  const places = job.planResult?.verdict === 'planned' ? job.planResult.plan.layout.bleeders : [];
  const placeOf = (point: string) => places.find((b) => b.id === point)?.place ?? point;
  return (
    <Section title="Fluid">
      {fluid.demands.map((d) => (
        <Words
          key={d.source}
        >{`${WHO[d.source]}: ${d.grades.join(' or ')}${d.lowViscosity ? ', low viscosity' : ''}.`}</Words>
      ))}
      {fluid.follow ? (
        <Words>{`Followed: ${WHO[fluid.follow.source].toLowerCase()}. ${fluid.follow.why}`}</Words>
      ) : null}
      {fluid.samples.map((s) => (
        <Words
          key={s.point}
        >{`${capital(placeOf(s.point))}: ${[s.colour ?? s.dye, s.clarity, s.foreign === 'none' ? null : s.foreign, s.dropsInWater && `drops ${s.dropsInWater}`, s.practice ? 'practice reading' : null].filter(Boolean).join(', ')}.`}</Words>
      ))}
      {fluid.fill ? (
        <Words
          strong
        >{`${job.fluidUsed ? 'Filled' : 'Chosen to go in'}: ${fluid.fill.grade}${fluid.fill.isoClass ? `, ${fluid.fill.isoClass}` : ''}${fluid.newColour ? `, ${fluid.newColour}` : ''}${fluid.newDye ? `, dyed ${fluid.newDye}` : ''}.`}</Words>
      ) : null}
      {fluid.verdict.condition ? (
        <More
          title={VERDICT_WORDS[fluid.verdict.condition.verdict]}
          about="The verdict on the old fluid, with its reasons"
        >
          <ConditionView answer={fluid.verdict.condition} placeOf={placeOf} />
        </More>
      ) : null}
      {fluid.verdict.fill ? (
        <More title="Why this fluid" about="What was asked for, and what speaks for it">
          <FillReasons reasons={fluid.verdict.fill.reasons} />
          <MinimumView verdict={fluid.verdict} />
        </More>
      ) : null}
      <More title="House rules in force" about="As they stood when the fluid was read">
        {SCHOOLS.map((s) => (
          <Words
            key={s.key}
            size="small"
          >{`${s.question} ${s.options.find((o) => o.value === fluid.rules[s.key])?.label ?? fluid.rules[s.key]}`}</Words>
        ))}
      </More>
    </Section>
  );
}

/** Which containers were poured from, and where all of it went. */
export function UsedRecord({ used }: { readonly used: FluidUsedRecord }) {
  const pouredMl = used.containers.reduce((sum, c) => sum + c.pouredMl, 0);
  const openedMl = used.containers.reduce(
    (sum, c) => sum + c.pouredMl + c.discardedMl + c.leftMl,
    0,
  );
  const balance = fluidBalance({
    openedMl,
    pouredMl,
    bledMl: used.bledMl,
    removedMl: used.removedMl,
    spilledMl: used.spilledMl,
    discardedMl: used.discardedMl,
    caughtMl: used.caughtMl,
  });
  const entered = (label: string, value: number, rule: string) =>
    figure({ label, value, unit: 'mL', rule, source: ENTRY });
  const poured = used.containers.map((c) =>
    figure({
      label: `Batch ${c.batch}, ${c.grade}`,
      value: c.pouredMl,
      unit: 'mL',
      rule: `poured out of a container of ${c.sizeMl} mL; ${Math.round(c.leftMl)} mL were left in it`,
      source: ENTRY,
    }),
  );
  return (
    <Section title="Filled from">
      <Words
        size="small"
        tone="softWords"
      >{`Recorded by ${used.by}, ${shortDate(used.at)}, ${clockTime(used.at)}`}</Words>
      <View>
        {poured.map((f, i) => (
          <FigureRow key={i} figure={f} />
        ))}
        <FigureRow
          figure={figure({
            label: 'Poured',
            value: pouredMl,
            unit: 'mL',
            rule: 'sum over the containers',
            source: ARITHMETIC,
            from: poured,
          })}
        />
        <FigureRow
          figure={entered(
            'Bled',
            used.bledMl,
            used.bledBy === 'strokes'
              ? 'strokes made × fluid in one stroke; not measured in a jar'
              : 'measured in the jar',
          )}
        />
        <FigureRow figure={entered('Removed', used.removedMl, 'drawn off the reservoir')} />
        {used.spilledMl > 0 ? (
          <FigureRow figure={entered('Spilled', used.spilledMl, 'lost from the vehicle')} />
        ) : null}
        <FigureRow figure={balance.changeOfContentMl} label="Change in the system" />
        <FigureRow figure={balance.wasteMl} label="Into the waste drum" />
      </View>
      {used.containers[0] ? (
        <Button
          label={`Who else got batch ${used.containers[0].batch}?`}
          onPress={() =>
            router.push(`/recall?batch=${encodeURIComponent(used.containers[0]!.batch)}`)
          }
        />
      ) : null}
    </Section>
  );
}
