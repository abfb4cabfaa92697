import type { Vehicle } from '@brook/contract';
import {
  addMaster,
  blankLayout,
  layoutDoubts,
  mirrored,
  paths,
  type Edited,
  type HowKnown,
} from '@brook/core/vehicle/circuit';
import { router } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { useSaveLayout, useVehicle } from '../../data/vehicles';
import { JobsLink } from '../../job/frame/JobHead';
import { ActionBar } from '../../ui/ActionBar';
import { BrookBox } from '../../ui/brook/BrookBox';
import { Button } from '../../ui/Button';
import { More } from '../../ui/More';
import { Caution } from '../../ui/Notice';
import { Page, useWideScreen } from '../../ui/Page';
import { Press } from '../../ui/Press';
import { FailedPage, Loading } from '../../ui/States';
import { colour, SPACE } from '../../ui/theme';
import { useUnsaved } from '../../ui/unsaved';
import { Words } from '../../ui/Words';
import { ConflictPage } from '../../ui/forms/ConflictPage';
import { broughtTo, withTheirs } from '../../ui/forms/threeWay';
import { ElementForm } from './ElementForm';
import { byElement, elementLabel, elementWords, layoutOf } from './layoutConflict';
import { layoutFile, readLayoutFile } from './layoutFile';
import { knownWords, outline } from './outline';
import { useLayoutDraft, type LayoutDraft } from './useLayoutDraft';
import { usePageTitle } from '../../ui/usePageTitle';

/** The layout of one vehicle, to be measured and changed. */
export function LayoutScreen({ vehicleId }: { readonly vehicleId: string }) {
  const { data: vehicle, error, isPending, refetch } = useVehicle(vehicleId);
  usePageTitle('Layout', vehicle?.name);
  if (isPending) return <Loading what="the layout" />;
  if (!vehicle) return <FailedPage what="This layout" error={error} again={() => void refetch()} />;
  return <LayoutEditor vehicle={vehicle} />;
}

const rowId = (element: string): string => `row-${element}`;

/** Faults shown at once; the rest is counted. */
const MOST_FAULTS = 4;

function LayoutEditor({ vehicle }: { readonly vehicle: Vehicle }) {
  const draft = useLayoutDraft(vehicle.layout);
  // What was opened, not what a colleague saved since: the draft was built on that.
  const [builtOn, setBuiltOn] = useState(vehicle);
  const [open, setOpen] = useState<string | null>(null);
  const [how, setHow] = useState<HowKnown | null>(null);
  const save = useSaveLayout(builtOn);
  const wide = useWideScreen();
  useUnsaved(draft.changed);
  const { layout, faults } = draft;
  const theirs = byElement(vehicle.layout);
  const { built, conflicts } = broughtTo(
    { version: builtOn.version, base: byElement(builtOn.layout), draft: byElement(layout) },
    vehicle.version,
    theirs,
  );
  if (draft.changed && built.version !== builtOn.version) {
    const goOn = (keys: readonly string[]) => {
      draft.change(layoutOf(withTheirs(built, keys).draft));
      setBuiltOn(vehicle);
    };
    return (
      <ConflictPage
        head={
          <Words size="head" heading={1}>
            Layout
          </Words>
        }
        conflicts={conflicts.map((key) => ({
          key,
          label: elementLabel(key, built.draft, theirs),
          mine: elementWords(built.draft[key], theirs[key]),
          theirs: elementWords(theirs[key], built.draft[key]),
        }))}
        onDecide={goOn}
      />
    );
  }
  const rows = outline(layout);
  const doubts = faults.length > 0 ? [] : layoutDoubts(layout);
  const made = (edited: Edited) => {
    draft.change(edited.layout);
    setOpen(edited.element);
  };
  const tapped = (element: string) => {
    setOpen(element);
    // The row is drawn open first; then it is brought to where it can be seen.
    requestAnimationFrame(() =>
      document.getElementById(rowId(element))?.scrollIntoView({ block: 'start' }),
    );
  };
  const brook = (
    <DraftBrook draft={draft} open={open} height={wide ? 420 : 210} onElement={tapped} />
  );
  return (
    <Page
      beside={<View style={styles.beside}>{brook}</View>}
      action={
        <ActionBar
          label="Save the layout"
          busy={save.isPending}
          waitsFor={
            faults.length > 0
              ? `${faults.length} ${faults.length === 1 ? 'thing is' : 'things are'} to be put right`
              : draft.changed
                ? null
                : 'Nothing changed yet'
          }
          onPress={() =>
            save.mutate(layout, { onSuccess: () => router.replace(`/vehicles/${vehicle.id}`) })
          }
          side={
            draft.undo
              ? { label: 'Undo', onPress: draft.undo }
              : { label: 'Back', onPress: () => router.replace(`/vehicles/${vehicle.id}`) }
          }
        />
      }
    >
      <View>
        <JobsLink />
        <Words size="head" heading={1}>
          Layout
        </Words>
        <Words size="small" tone="softWords">{`${vehicle.name} · ${layout.name}`}</Words>
        <Words size="small" tone="softWords">
          {knownWords(rows)}
        </Words>
      </View>
      {save.error ? <Caution title={save.error.message} /> : null}
      {faults.slice(0, MOST_FAULTS).map((f) => (
        <Press
          key={`${f.element}-${f.code}-${f.sentence}`}
          role="button"
          aria-label={`Go to: ${f.sentence}`}
          onPress={() => setOpen(f.element)}
        >
          <Caution title={f.sentence} />
        </Press>
      ))}
      {faults.length > MOST_FAULTS ? (
        <Words size="small">{`and ${faults.length - MOST_FAULTS} more`}</Words>
      ) : null}
      {wide ? null : brook}
      <View role="list">
        {rows.map((row) => (
          <View
            key={row.id}
            nativeID={rowId(row.id)}
            role="listitem"
            style={[styles.item, { paddingLeft: row.depth * 10 }]}
          >
            <Press
              role="button"
              aria-expanded={open === row.id}
              aria-label={row.title}
              onPress={() => setOpen(open === row.id ? null : row.id)}
              pressedStyle={{ backgroundColor: colour.well }}
            >
              <View style={styles.row}>
                <View
                  style={[
                    styles.mark,
                    faults.some((f) => f.element === row.id) ? styles.faulty : null,
                  ]}
                />
                <View style={styles.grow}>
                  <Words strong={open === row.id}>{row.title}</Words>
                  <Words size="small" tone="softWords">
                    {doubts.some((d) => d.element === row.id)
                      ? `${row.about} · is that so?`
                      : row.about}
                  </Words>
                </View>
              </View>
            </Press>
            {open === row.id
              ? faults
                  .filter((f) => f.element === row.id)
                  .map((f) => <Caution key={f.sentence} title={f.sentence} />)
              : null}
            {open === row.id
              ? doubts
                  .filter((d) => d.element === row.id)
                  .map((d) => (
                    <Words key={d.sentence} size="small">{`Is that so? ${d.sentence}`}</Words>
                  ))
              : null}
            {open === row.id ? (
              <ElementForm
                layout={layout}
                row={row}
                how={how}
                onHow={setHow}
                change={draft.change}
                made={made}
              />
            ) : null}
          </View>
        ))}
      </View>
      <More title="The whole layout" about="Hand of drive, another master, from nothing, files">
        {layout.driverSide === 'middle' ? null : (
          <Button
            label={`Driver on the ${layout.driverSide === 'left' ? 'right' : 'left'}: exchange the sides`}
            onPress={() => draft.change(mirrored(layout))}
          />
        )}
        <Button label="Add a brake master" onPress={() => made(addMaster(layout, 'brakes'))} />
        <Button label="Add a clutch master" onPress={() => made(addMaster(layout, 'clutch'))} />
        <Button
          label="Begin from nothing: one master, one wheel"
          onPress={() => draft.change(blankLayout({ ...layout, name: 'From a drawing' }))}
        />
        <Files draft={draft} />
      </More>
    </Page>
  );
}

/** The draft as the brook shows it, as long as it can be followed from the master. */
function DraftBrook({
  draft,
  open,
  height,
  onElement,
}: {
  readonly onElement: (element: string) => void;
  readonly draft: LayoutDraft;
  readonly open: string | null;
  readonly height: number;
}) {
  const { layout, faults } = draft;
  if (faults.some((f) => f.code === 'orphan' || f.code === 'loop' || f.code === 'missing'))
    return <Words tone="softWords">The picture comes back when every part is joined.</Words>;
  const order = [...paths(layout)]
    .sort((a, b) => b.lengthM.value - a.lengthM.value)
    .map((p) => p.bleeder.id);
  const at = layout.bleeders.find((b) => b.id === open || b.at === open)?.id ?? null;
  return (
    <BrookBox
      layout={layout}
      order={order}
      height={height}
      oldColour="amber"
      newColour="amber"
      current={at}
      marked={open}
      markedAs="here"
      onElement={onElement}
    />
  );
}

/** Keep the layout as a file, or take one from a file. */
function Files({ draft }: { readonly draft: LayoutDraft }) {
  const [faults, setFaults] = useState<readonly string[]>([]);
  const keep = () => {
    const { name, text } = layoutFile(draft.layout);
    const link = document.createElement('a');
    link.href = URL.createObjectURL(new Blob([text], { type: 'application/json' }));
    link.download = name;
    link.click();
    URL.revokeObjectURL(link.href);
  };
  const take = async (file: File | undefined) => {
    if (!file) return;
    const read = readLayoutFile(await file.text());
    setFaults(read.kind === 'faults' ? read.sentences : []);
    if (read.kind === 'layout') draft.change(read.layout);
  };
  const choose = () => {
    const input = document.createElement('input');
    input.type = 'file';
    input.accept = 'application/json,.json';
    input.onchange = () => void take(input.files?.[0]);
    input.click();
  };
  return (
    <>
      <Button label="Keep it as a file" onPress={keep} />
      <Button label="Take one from a file" onPress={choose} />
      {faults.length > 0 ? (
        <Caution title="This file was not taken">{faults.slice(0, MOST_FAULTS).join(' ')}</Caution>
      ) : null}
    </>
  );
}

const styles = StyleSheet.create({
  beside: { padding: SPACE.wide },
  item: { borderTopWidth: 1, borderTopColor: colour.hairline },
  row: { flexDirection: 'row', alignItems: 'center', gap: SPACE.small },
  mark: { width: 6, alignSelf: 'stretch' },
  faulty: { backgroundColor: colour.words },
  grow: { flex: 1, paddingVertical: SPACE.hair },
});
