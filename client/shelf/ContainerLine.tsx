import type { Container } from '@brook/contract';
import { standardOf } from '@brook/core/fluid/verdict';
import { PRACTICE, sourceWords } from '@brook/core/base/figure';
import { ADMIT_WORDS, REST_HOURS } from '@brook/core/fluid/shelf';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { nowMs } from '../data/clock';
import { useContainerAct } from '../data/shelf';
import { Button } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { clockTime, shortDate } from '../ui/dates';
import { Field } from '../ui/Field';
import { Caution } from '../ui/Notice';
import { Numeral } from '../ui/Numeral';
import { Press } from '../ui/Press';
import { colour, SPACE } from '../ui/theme';
import { typedNumber } from '../ui/typedNumber';
import { Words } from '../ui/Words';

const VERDICT = {
  take: 'may be used',
  'with caution': 'with a second look',
  refuse: 'must not be used',
} as const;

/** One container: how full it stands, whether it may be used today, and what can be done with it. */
export function ContainerLine({ container: c }: { readonly container: Container }) {
  const [open, setOpen] = useState(false);
  const act = useContainerAct(c);
  const share = Math.max(0, Math.min(1, c.leftMl / c.sizeMl));
  return (
    <View role="listitem" style={styles.item}>
      <Press
        role="button"
        aria-expanded={open}
        aria-label={`Batch ${c.batch}, ${Math.round(c.leftMl)} of ${c.sizeMl} mL, ${stateWords(c)}, ${c.overdrawnMl > 0 ? 'to be counted' : VERDICT[c.admit.verdict]}`}
        onPress={() => setOpen(!open)}
        pressedStyle={{ backgroundColor: colour.well }}
      >
        <View style={styles.line}>
          <View style={styles.can} aria-hidden>
            <View
              style={[
                styles.left,
                { height: `${share * 100}%` },
                c.admit.verdict === 'refuse' ? styles.refused : null,
              ]}
            />
          </View>
          <View style={styles.text}>
            <Words strong>{c.batch}</Words>
            <Words size="small" tone="softWords">
              {stateWords(c)}
            </Words>
            {c.overdrawnMl > 0 ? (
              <Words size="small" strong>
                count it
              </Words>
            ) : c.admit.verdict === 'take' ? null : (
              <Words size="small" strong={c.admit.verdict === 'refuse'}>
                {VERDICT[c.admit.verdict]}
              </Words>
            )}
          </View>
          <View style={styles.amount}>
            <Numeral unit="mL">{String(Math.round(c.leftMl))}</Numeral>
            <Words size="small" tone="softWords">{`of ${c.sizeMl} mL`}</Words>
          </View>
        </View>
      </Press>
      {open ? (
        <View style={styles.inside}>
          <Words
            size="small"
            tone="softWords"
          >{`By ${standardOf(c.grade, c.isoClass)}. Came ${shortDate(c.receivedAt)}${c.openedAt ? `, opened ${shortDate(c.openedAt)}` : ''}.`}</Words>
          {c.overdrawnMl > 0 ? (
            <Count container={c} onCount={(leftMl) => act.mutate({ kind: 'count', leftMl })} />
          ) : null}
          {c.admit.reasons.map((r) => (
            <Caution key={r.code} title={ADMIT_WORDS[r.code]}>
              {sourceWords(PRACTICE)}
            </Caution>
          ))}
          {c.state === 'sealed' ? (
            <OpenedSince
              onOpen={(openedDaysAgo) =>
                act.mutate({ kind: 'open', openedDaysAgo, keptCapped: true })
              }
            />
          ) : null}
          {c.state === 'opened' && c.keptCapped ? (
            <Button
              label="It was not kept capped"
              onPress={() =>
                act.mutate({ kind: 'open', openedDaysAgo: c.openedDays, keptCapped: false })
              }
            />
          ) : null}
          <Discard
            onDiscard={(caught) => act.mutate({ kind: 'discard', caught })}
            leftMl={c.leftMl}
          />
          {act.error ? <Caution title={act.error.message} /> : null}
        </View>
      ) : null}
    </View>
  );
}

function OpenedSince({ onOpen }: { readonly onOpen: (daysAgo: number | null) => void }) {
  return (
    <Choice
      question="It is open since"
      settled
      options={[
        { value: '0', label: 'today' },
        { value: '7', label: 'a week' },
        { value: '31', label: 'over 30 days' },
        { value: 'unknown', label: 'nobody knows' },
      ]}
      chosen={null}
      onChoose={(days) => onOpen(days === 'unknown' ? null : Number(days))}
    />
  );
}

/** More came out of it than it was down as holding: what is left is looked at, not reckoned. */
function Count({
  container: c,
  onCount,
}: {
  readonly container: Container;
  readonly onCount: (leftMl: number) => void;
}) {
  const [typed, setTyped] = useState('');
  const leftMl = typedNumber(typed);
  const fault =
    typed === '' || (leftMl >= 0 && leftMl < c.sizeMl)
      ? null
      : `Give what is left in it, from 0 to less than ${c.sizeMl} mL.`;
  return (
    <View style={styles.count}>
      <Words>{`${Math.round(c.overdrawnMl)} mL more came out of it than it was down as holding.`}</Words>
      <Field
        label="Left in it"
        unit="mL"
        inputMode="decimal"
        value={typed}
        onChange={setTyped}
        fault={fault}
      />
      <Button
        label="That is what is left"
        disabled={typed === '' || fault !== null}
        onPress={() => onCount(leftMl)}
      />
    </View>
  );
}

function Discard({
  onDiscard,
  leftMl,
}: {
  readonly onDiscard: (caught: boolean) => void;
  readonly leftMl: number;
}) {
  const [asking, setAsking] = useState(false);
  if (!asking) return <Button label="Discard it …" onPress={() => setAsking(true)} />;
  return (
    <Choice
      question={`Discard ${Math.round(leftMl)} mL: into the waste drum?`}
      why="Never down a drain; local rules apply."
      settled
      stacked
      options={[
        { value: 'yes', label: 'Yes, into the drum' },
        { value: 'no', label: 'No, it was lost' },
      ]}
      chosen={null}
      onChoose={(answer) => onDiscard(answer === 'yes')}
    />
  );
}

function stateWords(c: Container): string {
  if (c.state === 'sealed')
    return c.restedHours !== null && c.restedHours < REST_HOURS
      ? `sealed, rests until ${restsUntil(c.restedHours)}`
      : 'sealed';
  if (c.openedDays === null) return 'opened, nobody knows when';
  return `opened ${c.openedDays === 0 ? 'today' : c.openedDays === 1 ? 'yesterday' : `${c.openedDays} days ago`}${c.keptCapped ? '' : ', not kept capped'}`;
}

/** When a container that has travelled may be used. */
function restsUntil(restedHours: number): string {
  const until = new Date(nowMs() + (REST_HOURS - restedHours) * 3_600_000).toISOString();
  return `${shortDate(until) === 'today' ? '' : 'tomorrow, '}${clockTime(until)}`;
}

const styles = StyleSheet.create({
  item: { borderTopWidth: 1, borderTopColor: colour.hairline },
  line: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: SPACE.medium,
    paddingVertical: SPACE.small,
  },
  can: {
    width: 22,
    height: 44,
    borderWidth: 2,
    borderColor: colour.fluidEdge,
    borderRadius: 5,
    overflow: 'hidden',
    justifyContent: 'flex-end',
  },
  left: { backgroundColor: colour.words },
  refused: { backgroundColor: colour.edge },
  text: { flex: 1 },
  amount: { alignItems: 'flex-end' },
  count: { gap: SPACE.small },
  inside: { gap: SPACE.medium, paddingBottom: SPACE.large },
});
