import { GRADES, type Grade, type IsoClass } from '@brook/core/fluid/verdict';
import { router } from 'expo-router';
import { Controller, useForm, useWatch } from 'react-hook-form';
import { View } from 'react-native';
import { ApiProblem } from '../data/api';
import { useAddContainers } from '../data/shelf';
import { ActionBar } from '../ui/ActionBar';
import { Choice } from '../ui/Choice';
import { Field } from '../ui/Field';
import { Caution } from '../ui/Notice';
import { Page } from '../ui/Page';
import { leavePage, useUnsaved } from '../ui/unsaved';
import { Words } from '../ui/Words';
import { usePageTitle } from '../ui/usePageTitle';

interface Entry {
  grade: Grade | null;
  isoClass: IsoClass | 'none';
  batch: string;
  sizeMl: string;
  count: string;
  justCarried: 'yes' | 'no' | null;
}

const SIZES = ['250', '500', '1000'];

/** Put containers on the shelf as they come: what stands on the label. */
export function AddContainers({
  grade,
  jobId,
}: {
  readonly grade?: string | undefined;
  readonly jobId?: string | undefined;
}) {
  usePageTitle('New containers');
  const { control, handleSubmit, setValue, formState } = useForm<Entry>({
    defaultValues: {
      grade: GRADES.find((g) => g.grade === grade)?.grade ?? null,
      isoClass: 'none',
      batch: '',
      sizeMl: '500',
      count: '1',
      justCarried: null,
    },
  });
  const entry = useWatch({ control }) as Entry;
  useUnsaved(formState.isDirty);
  const add = useAddContainers();
  const problem = add.error instanceof ApiProblem ? add.error : null;
  const missing =
    entry.grade === null
      ? 'Say which fluid first'
      : entry.justCarried === null
        ? 'Say whether it was just carried'
        : null;
  const send = handleSubmit(({ isoClass, sizeMl, count, justCarried, ...e }) =>
    add.mutate(
      {
        ...e,
        grade: e.grade!,
        isoClass: isoClass === 'none' ? null : isoClass,
        sizeMl: Number(sizeMl),
        count: Number(count),
        justCarried: justCarried === 'yes',
      },
      { onSuccess: () => (jobId ? router.replace(`/jobs/${jobId}`) : router.replace('/shelf')) },
    ),
  );
  return (
    <Page
      action={
        <ActionBar
          label="Put on the shelf"
          busy={add.isPending}
          waitsFor={missing}
          onPress={() => void send()}
          side={{ label: 'Back', onPress: () => leavePage(() => router.back()) }}
        />
      }
    >
      <View>
        <Words size="small" tone="softWords">
          Fluid shelf
        </Words>
        <Words size="head" heading={1}>
          New containers
        </Words>
      </View>
      <Choice
        question="Which fluid?"
        options={GRADES.map((g) => ({ value: g.grade, label: g.words }))}
        chosen={entry.grade}
        onChoose={(g) => setValue('grade', g)}
        stacked
      />
      {entry.grade === 'DOT 5' ? (
        <Caution title="DOT 5 is silicone">
          It never goes where DOT 3, 4 or 5.1 belongs. Stand it apart from them.
        </Caution>
      ) : null}
      <Choice
        question="Does the label name class 6 or 7?"
        why="Low viscosity, ISO 4925:2020."
        settled
        options={[
          { value: 'none', label: 'Neither' },
          { value: 'class 6', label: 'Class 6' },
          { value: 'class 7', label: 'Class 7' },
        ]}
        chosen={entry.isoClass}
        onChoose={(c) => setValue('isoClass', c)}
      />
      <Controller
        control={control}
        name="batch"
        render={({ field }) => (
          <Field
            label="Batch"
            why="As printed; by it a recall finds the vehicles."
            value={field.value}
            onChange={field.onChange}
            onBlur={field.onBlur}
            autoCapitalize="characters"
            fault={problem?.faultOf('batch')}
          />
        )}
      />
      <Choice
        question="Size"
        compact
        settled
        options={SIZES.map((s) => ({ value: s, label: `${s} mL` }))}
        chosen={SIZES.includes(entry.sizeMl) ? entry.sizeMl : null}
        onChoose={(s) => setValue('sizeMl', s)}
      />
      <Controller
        control={control}
        name="sizeMl"
        render={({ field }) => (
          <Field
            label="Or another size"
            value={field.value}
            onChange={field.onChange}
            unit="mL"
            inputMode="numeric"
            fault={problem?.faultOf('sizeMl')}
          />
        )}
      />
      <Controller
        control={control}
        name="count"
        render={({ field }) => (
          <Field
            label="How many"
            value={field.value}
            onChange={field.onChange}
            inputMode="numeric"
            fault={problem?.faultOf('count')}
          />
        )}
      />
      <Choice
        question="Just off a journey?"
        why="Fine bubbles: it stands overnight before it is used. Never shake it."
        options={[
          { value: 'yes', label: 'Yes, today' },
          { value: 'no', label: 'No, it has rested' },
        ]}
        chosen={entry.justCarried}
        onChoose={(a) => setValue('justCarried', a)}
      />
      {add.error && !problem?.faults.length ? <Caution title={add.error.message} /> : null}
    </Page>
  );
}
