import {
  CHECK_WORDS,
  CONTROL_CHECK_WORDS,
  takeUpPasses,
  WATCHED_S,
  type Proof,
} from '@brook/core/job/items';
import { CONTROL_TRAITS } from '@brook/core/vehicle/circuit';
import type { PhoneHappening } from '@brook/core/job/events';
import type { OpenItemGroup } from '@brook/core/owed/openItems';
import { pedalPasses } from '@brook/core/control/pedal';
import type { Plan } from '@brook/core/bleed/plan';
import type { ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import type { LiveRun } from '../../data/run';
import { FaultList } from '../side/faults/FaultList';
import { pedalPage } from '../frame/pedalPage';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { Known } from '../../ui/Known';
import { colour, SPACE } from '../../ui/theme';
import { Words } from '../../ui/Words';
import { ControlResult } from './ControlResult';
import { standingOf, type ProofPage } from './proofPages';
import { Watch } from './Watch';
import { WrongLooks } from './WrongLooks';

const YES_NO = [
  { value: 'yes', label: 'Yes' },
  { value: 'no', label: 'No' },
] as const;

export interface ProofItemProps {
  readonly page: ProofPage;
  /** Which of how many pages. */
  readonly place: number;
  readonly of: number;
  readonly plan: Plan;
  readonly proof: Proof;
  /** How many items the run knows. */
  readonly known: number;
  /** Joints of earlier jobs that are looked at with those of this one. */
  readonly alsoLook: readonly OpenItemGroup[];
  readonly how: string;
  readonly run: LiveRun;
  /** Whether an answer is taken yet. */
  readonly armed: boolean;
  readonly onPage: (page: string) => void;
  /** Said, and whether it is right: then the next one comes. */
  readonly onAnswered: (good: boolean) => void;
  /** One of what the run knows is not so: then each is asked by itself. */
  readonly onOneByOne: () => void;
  /** What the page holds that is no question. */
  readonly children: ReactNode;
}

/** One thing of the proof: what is looked at, what a wrong one looks like, and the answer. */
export function ProofItem(props: ProofItemProps) {
  const { page, place, of, plan, known, run, onPage, children } = props;
  const masterId = 'master' in page ? page.master.id : 'vehicle';
  return (
    <View style={styles.item} testID={`proof ${masterId}`}>
      <View>
        <View style={styles.strip}>
          {Array.from({ length: of }, (_, i) => (
            <View key={i} style={[styles.piece, i <= place ? styles.done : null]} />
          ))}
        </View>
        <Words size="small" tone="softWords">
          {`${place + 1} of ${of}${known > 0 ? ` · ${known} known from the run` : ''}`}
        </Words>
      </View>
      {page.kind === 'result' ? (
        <>
          <ControlResult
            {...props}
            master={page.master}
            ruler={run.job.proof.takeUps.find((t) => t.masterId === page.master.id) ?? null}
            say={(said) => {
              run.say(said);
              props.onAnswered(isGood(said));
            }}
            onMeasure={() => onPage(pedalPage(page.master.id))}
          />
          {standingOf(page, props.proof) === 'wrong' ? (
            <FaultList signs={['pedal not right']} layout={plan.layout} />
          ) : null}
        </>
      ) : null}
      {page.kind === 'try' || page.kind === 'look' ? <Asked {...props} page={page} /> : null}
      {page.kind === 'known' ? <KnownItems {...props} items={page.items} /> : null}
      {children}
    </View>
  );
}

/** Whether what was said of a control passes. */
const isGood = (said: PhoneHappening): boolean =>
  said.kind === 'pedal judged'
    ? pedalPasses(said.result)
    : said.kind === 'take-up judged' && takeUpPasses(said.takeUp);

function Asked({
  page,
  proof,
  alsoLook,
  run,
  armed,
  onAnswered,
}: ProofItemProps & { readonly page: Extract<ProofPage, { readonly kind: 'try' | 'look' }> }) {
  const words = page.kind === 'try' ? CONTROL_CHECK_WORDS[page.item] : CHECK_WORDS[page.item];
  const standing = standingOf(page, proof);
  const watchedS = page.kind === 'try' ? WATCHED_S[page.item] : undefined;
  const answer = (passes: boolean) => {
    if (page.kind === 'look') run.say({ kind: 'checked', item: page.item, passes });
    else run.say({ kind: 'checked', item: page.item, masterId: page.master.id, passes });
    onAnswered(passes);
  };
  return (
    <>
      <WrongLooks
        item={page.item}
        wrong={words.wrong}
        {...(page.kind === 'try' ? { held: CONTROL_TRAITS[page.master.control].held } : {})}
      />
      {watchedS === undefined ? null : <Watch seconds={watchedS} />}
      {page.item === 'joints dry'
        ? alsoLook.map(({ title, openItems: [first] }) => (
            <Words key={first.id}>{`Look here too. ${title}, job ${first.jobNumber}.`}</Words>
          ))
        : null}
      <Choice
        question={`${words.ask}?`}
        why={words.why}
        options={YES_NO}
        chosen={standing === 'open' ? null : standing === 'right' ? 'yes' : 'no'}
        disabled={!armed}
        onChoose={(value) => answer(value === 'yes')}
        fault={
          standing !== 'wrong'
            ? null
            : page.kind === 'try'
              ? 'Put it right, then try again.'
              : 'Put it right, then look again.'
        }
      />
      {page.item === 'joints dry' && standing === 'wrong' ? (
        <Button
          label="It leaks: mend it, with what was done"
          onPress={() => run.say({ kind: 'halted', reason: 'leak', openingId: null })}
        />
      ) : null}
    </>
  );
}

function KnownItems({
  items,
  run,
  armed,
  onAnswered,
  onOneByOne,
}: ProofItemProps & { readonly items: Extract<ProofPage, { readonly kind: 'known' }>['items'] }) {
  return (
    <Known
      title="The run says"
      looked={false}
      rows={items.map((item) => ({ what: CHECK_WORDS[item].ask, is: 'Yes' }))}
    >
      <Choice
        question="Looked: is it all so?"
        options={YES_NO}
        chosen={null}
        disabled={!armed}
        onChoose={(value) => {
          if (value === 'no') return onOneByOne();
          for (const item of items) run.say({ kind: 'checked', item, passes: true });
          onAnswered(true);
        }}
      />
      {items.map((item) => (
        <WrongLooks key={item} item={item} wrong={CHECK_WORDS[item].wrong} />
      ))}
    </Known>
  );
}

const styles = StyleSheet.create({
  item: { gap: SPACE.large },
  strip: { flexDirection: 'row', gap: SPACE.hair },
  piece: { flex: 1, height: 6, backgroundColor: colour.hairline },
  done: { backgroundColor: colour.words },
});
