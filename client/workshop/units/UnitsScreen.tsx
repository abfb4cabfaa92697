import { METRIC, UNIT_CHOICES, type Quantity, type UnitChoice } from '@brook/core/base/units';
import { router } from 'expo-router';
import { View } from 'react-native';
import { useChooseUnits, useSession } from '../../data/session';
import { JobsLink } from '../../job/frame/JobHead';
import { ActionBar } from '../../ui/ActionBar';
import { Choice } from '../../ui/Choice';
import { Caution } from '../../ui/Notice';
import { Page } from '../../ui/Page';
import { Words } from '../../ui/Words';
import { usePageTitle } from '../../ui/usePageTitle';

const QUANTITY_WORDS: Readonly<
  Record<Quantity, { readonly title: string; readonly why?: string }>
> = {
  length: { title: 'Length', why: 'Feet with inches; a size stamped on a tool stays.' },
  volume: { title: 'Fluid', why: 'US fluid ounces.' },
  torque: { title: 'Torque', why: 'Every torque is still shown in both.' },
  temperature: { title: 'Temperature' },
  pressure: { title: 'Pressure' },
};
const QUANTITIES = Object.keys(QUANTITY_WORDS) as Quantity[];

/** In which units who is signed in reads and types, on every phone; the workshop's record stays metric. */
export function UnitsScreen() {
  usePageTitle('Units');
  const units = useSession().data?.user.units ?? METRIC;
  const choose = useChooseUnits();
  return (
    <Page action={<ActionBar label="To the jobs" onPress={() => router.replace('/')} />}>
      <View>
        <JobsLink />
        <Words size="head" heading={1}>
          Units
        </Words>
        <Words size="small" tone="softWords">
          Yours, on every phone you sign in on. Nobody else’s change, and neither does the record.
        </Words>
      </View>
      {choose.error ? <Caution title={choose.error.message} /> : null}
      {QUANTITIES.map((quantity) => (
        <Choice
          key={quantity}
          question={QUANTITY_WORDS[quantity].title}
          why={QUANTITY_WORDS[quantity].why}
          options={UNIT_CHOICES[quantity].map((unit) => ({ value: unit, label: unit }))}
          chosen={units[quantity]}
          onChoose={(unit) => choose.mutate({ ...units, [quantity]: unit } as UnitChoice)}
        />
      ))}
    </Page>
  );
}
