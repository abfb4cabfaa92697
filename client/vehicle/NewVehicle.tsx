import {
  type DriverSide,
  type VehicleKind,
  VEHICLE_KINDS,
  VEHICLE_TRAITS,
} from '@brook/core/vehicle/circuit';
import {
  type TemplateId,
  layoutTemplates,
  templateById,
} from '@brook/core/vehicle/circuit/templates';
import { router } from 'expo-router';
import { Controller, useForm, useWatch } from 'react-hook-form';
import { View } from 'react-native';
import { ApiProblem } from '../data/api';
import { useAddVehicle } from '../data/vehicles';
import { ActionBar } from '../ui/ActionBar';
import { Choice } from '../ui/Choice';
import { Field } from '../ui/Field';
import { Caution } from '../ui/Notice';
import { Page } from '../ui/Page';
import { leavePage, useUnsaved } from '../ui/unsaved';
import { Words } from '../ui/Words';
import { usePageTitle } from '../ui/usePageTitle';

interface Entry {
  name: string;
  tag: string;
  kind: VehicleKind | null;
  templateId: TemplateId | null;
  driverSide: DriverSide | null;
}

/** Kinds for which there is a template to start from. */
const KINDS = VEHICLE_KINDS.filter((kind) =>
  layoutTemplates.some((t) => t.vehicleKind === kind),
).map((value) => ({ value, label: VEHICLE_TRAITS[value].title }));

/** Add the vehicle in front of you from a layout template. */
export function NewVehicle() {
  usePageTitle('Add a vehicle');
  const { control, handleSubmit, setValue, formState } = useForm<Entry>({
    defaultValues: { name: '', tag: '', kind: null, templateId: null, driverSide: null },
  });
  useUnsaved(formState.isDirty);
  const add = useAddVehicle();
  const problem = add.error instanceof ApiProblem ? add.error : null;
  const kind = useWatch({ control, name: 'kind' });
  const templateId = useWatch({ control, name: 'templateId' });
  const driverSide = useWatch({ control, name: 'driverSide' });
  const sides = (templateId && templateById(templateId)?.driverSides) || [];
  const missing =
    kind === null
      ? 'Say what it is'
      : templateId === null
        ? 'Choose the layout that is nearest'
        : sides.length > 1 && driverSide === null
          ? 'Say where the driver sits'
          : null;
  const send = handleSubmit((entry) => {
    if (missing) return;
    add.mutate(
      {
        name: entry.name,
        tag: entry.tag,
        templateId: entry.templateId!,
        driverSide: entry.driverSide ?? sides[0],
      },
      { onSuccess: (vehicle) => router.replace(`/new?vehicle=${vehicle.id}`) },
    );
  });
  return (
    <Page
      action={
        <ActionBar
          label="Add it and take it in"
          busy={add.isPending}
          waitsFor={missing}
          onPress={() => void send()}
          side={{ label: 'Back', onPress: () => leavePage(() => router.back()) }}
        />
      }
    >
      <View>
        <Words size="small" tone="softWords">
          Vehicles
        </Words>
        <Words size="head" heading={1}>
          Add a vehicle
        </Words>
      </View>
      <Controller
        control={control}
        name="name"
        render={({ field }) => (
          <Field
            label="Name"
            autoFocus
            value={field.value}
            onChange={field.onChange}
            onBlur={field.onBlur}
            fault={problem?.faultOf('name')}
          />
        )}
      />
      <Controller
        control={control}
        name="tag"
        render={({ field }) => (
          <Field
            label="Plate or fleet number"
            value={field.value}
            onChange={field.onChange}
            onBlur={field.onBlur}
            autoCapitalize="characters"
            fault={problem?.faultOf('tag')}
          />
        )}
      />
      <Choice
        question="What is it?"
        options={KINDS}
        chosen={kind}
        onChoose={(k) => {
          setValue('kind', k);
          setValue('templateId', null);
          setValue('driverSide', null);
        }}
      />
      {kind === null ? null : (
        <Choice
          question="Which layout is nearest?"
          why="Not your exact model. Pick the closest; change details later, or read them from a file."
          stacked
          chosen={templateId}
          options={layoutTemplates
            .filter((t) => t.vehicleKind === kind)
            .map((t) => ({ value: t.id, label: t.name, about: t.about }))}
          onChoose={(id) => {
            setValue('templateId', id);
            setValue('driverSide', null);
          }}
        />
      )}
      {sides.length > 1 ? (
        <Choice
          question="Where does the driver sit?"
          options={sides.map((s) => ({ value: s, label: `On the ${s}` }))}
          chosen={driverSide}
          onChoose={(side) => setValue('driverSide', side)}
        />
      ) : null}
      {add.error && !problem?.faults.length ? <Caution title={add.error.message} /> : null}
    </Page>
  );
}
