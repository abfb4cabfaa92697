import type { Job, PlanChoices } from '@brook/contract';
import { bleederName } from '@brook/core/vehicle/circuit';
import {
  isNearEnough,
  NEAR_ENOUGH,
  type CostSurety,
  type OrderId,
  type SearchState,
} from '@brook/core/hydraulics/order';
import { costWords, orderRefusalWords, ORDER_WORDS } from '@brook/core/bleed/order';
import { notEmptiedFirst, orderFigures, type Plan, type PlanOrder } from '@brook/core/bleed/plan';
import { useEffect, useMemo, useRef, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { ActionBar } from '../../ui/ActionBar';
import { Button } from '../../ui/Button';
import { FigureRow } from '../../ui/FigureValue';
import { Caution } from '../../ui/Notice';
import { Numeral } from '../../ui/Numeral';
import { Page } from '../../ui/Page';
import { Press } from '../../ui/Press';
import { colour, SPACE } from '../../ui/theme';
import { leavePage, useUnsaved } from '../../ui/unsaved';
import { Words } from '../../ui/Words';
import { askWorker, type WorkerCall } from '../../data/workers/ask';
import type { OrdersAnswer, OrdersSoFar } from '../../data/workers/orders.worker';
import { requestOfJob } from './request';
import { ColumnWords } from '../../ui/Table';
import { PageHead } from '../frame/PageHead';

export interface OrdersPageProps {
  readonly job: Job;
  readonly plan: Plan;
  readonly busy: boolean;
  readonly onChoose: (choices: PlanChoices) => void;
  readonly onBack: () => void;
}

/** Every school priced for this job, the best order sought, and what the choice costs. */
export function OrdersPage({ job, plan, busy, onChoose, onBack }: OrdersPageProps) {
  const { orders, sureties, search, answered, problem, cancel } = useOrders(job, plan);
  const [picked, setPicked] = useState<OrderId>(plan.order);
  useUnsaved(picked !== plan.order);
  const row = orders.find((o) => o.id === picked) ?? null;
  const counts = plan.openings[0]?.counted ?? 'strokes';
  const notEmptied = useMemo(
    () => notEmptiedFirst(requestOfJob(job, plan), plan, picked),
    [job, plan, picked],
  );
  const most = Math.max(1, ...orders.map((o) => ('code' in o.price ? 0 : o.price.bledMl)));
  return (
    <Page
      action={
        <ActionBar
          label={`Follow: ${ORDER_WORDS[picked].title}`}
          busy={busy}
          waitsFor={
            row && 'code' in row.price
              ? row.price.code === 'incomplete'
                ? 'Complete the maker’s order first'
                : 'This order cannot be carried out'
              : null
          }
          onPress={() =>
            onChoose({
              ...job.planChoices,
              order: picked,
              leastFluid: picked === 'least fluid' ? [...row!.places] : null,
            })
          }
          side={{ label: 'Back', onPress: () => leavePage(onBack) }}
        />
      }
    >
      <PageHead vehicle={job.vehicleName} question="In which order?" />
      {sureties.size > 0 && [...sureties.values()].every((s) => !s.band.real) ? (
        <Words strong>No real difference between them: take the one that suits.</Words>
      ) : null}
      {row?.cost && row.against ? (
        <Words>{costWords(row.cost, counts, row.against, sureties.get(row.id) ?? null)}</Words>
      ) : row && !('code' in row.price) ? (
        <Words>{`The least of those that open each bleeder as often: ${row.price.bledMl.toFixed(0)} mL.`}</Words>
      ) : null}
      {row && row.again.length > 0 ? (
        <Words size="small">{`It opens ${namesOf(plan, row.again)} once more than the one that it is held against.`}</Words>
      ) : null}
      {problem ? <Caution title={problem} /> : null}
      {orders.length > 0 ? (
        <View>
          <ColumnWords words={['mL', counts, 'min', 'old left']} width={FIGURE_WIDTH} />
          <View role="radiogroup" aria-label="Orders">
            {orders.map((o) => (
              <OrderLine
                key={o.id}
                plan={plan}
                order={o}
                surety={sureties.get(o.id) ?? null}
                most={most}
                chosen={o.id === picked}
                onPick={() => setPicked(o.id)}
              />
            ))}
          </View>
        </View>
      ) : null}
      {row && !('code' in row.price) ? (
        <View>
          {orderFigures(row.price, counts).map((f) => (
            <FigureRow key={f.label} figure={f} />
          ))}
          {notEmptied ? <FigureRow figure={notEmptied} /> : null}
        </View>
      ) : null}
      {problem ? null : (
        <Search
          search={search}
          priced={orders.length > 0 ? 'priced' : answered ? 'nothing to compare' : 'not yet'}
          free={plan.searchable.length > 0}
          onCancel={cancel}
        />
      )}
      {orders.length > 0 ? (
        <Words size="small" tone="softWords">
          Simulated along this layout: lines laminar, cavities mixed, shared stretches as the
          earlier bleeders left them, the reservoir topped up in batches. The line at the end of a
          bar is where it may end when tees and bores mix or not, lines mix or flow laminar, and the
          syringe leaves a quarter or half as much again: sixteen ways.
        </Words>
      ) : null}
    </Page>
  );
}

function useOrders(
  job: Job,
  plan: Plan,
): {
  orders: readonly PlanOrder[];
  /** How sure each difference is; empty until the corners are worked out. */
  sureties: ReadonlyMap<OrderId, CostSurety>;
  search: SearchState | null;
  /** Whether nothing more will come. */
  answered: boolean;
  problem: string | null;
  cancel: () => void;
} {
  const [orders, setOrders] = useState<readonly PlanOrder[]>([]);
  const [sureties, setSureties] = useState<ReadonlyMap<OrderId, CostSurety>>(new Map());
  const [search, setSearch] = useState<SearchState | null>(null);
  const [answered, setAnswered] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const asked = useRef<WorkerCall<OrdersAnswer> | null>(null);
  useEffect(() => {
    asked.current = askWorker<OrdersAnswer, OrdersSoFar>(
      () => new Worker(new URL('../../data/workers/orders.worker', import.meta.url)),
      requestOfJob(job, plan),
      (_, soFar) => {
        if (soFar?.orders) setOrders(soFar.orders);
        if (soFar?.sureties) setSureties(new Map(soFar.sureties));
        if (soFar?.search) setSearch(soFar.search);
      },
    );
    asked.current.answer.then(
      (answer) => {
        setOrders(answer.orders);
        setSureties(new Map(answer.sureties));
        setSearch(answer.search);
        setAnswered(true);
      },
      (error: Error) => setProblem(error.message),
    );
    return () => asked.current?.cancel();
  }, [job, plan]);
  return { orders, sureties, search, answered, problem, cancel: () => asked.current?.cancel() };
}

/** px of each column of figures. */
const FIGURE_WIDTH = 48;

interface OrderLineProps {
  readonly plan: Plan;
  readonly order: PlanOrder;
  readonly surety: CostSurety | null;
  readonly most: number;
  readonly chosen: boolean;
  readonly onPick: () => void;
}

/** One order: its price as a bar and in figures, and the bleeders in a row. */
function OrderLine({ plan, order, surety, most, chosen, onPick }: OrderLineProps) {
  const { price } = order;
  const words = ORDER_WORDS[order.id];
  const places = order.places.map((id) => nameOf(plan, id)).join(' › ');
  const refused = 'code' in price ? refusalOf(plan, price) : null;
  const tone = chosen ? 'ground' : 'words';
  return (
    <Press
      role="radio"
      aria-checked={chosen}
      aria-label={`${words.title}: ${refused !== null || 'code' in price ? refused : `${price.bledMl.toFixed(0)} mL, ${price.counts} counts, ${price.minutes.toFixed(0)} minutes`}`}
      onPress={onPick}
      style={[styles.order, chosen ? styles.chosen : null]}
      pressedStyle={chosen ? {} : { backgroundColor: colour.well }}
    >
      <View style={styles.row}>
        <View style={styles.grow}>
          <Words strong={chosen} tone={tone}>
            {words.title}
          </Words>
        </View>
        {'code' in price
          ? null
          : [
              price.bledMl.toFixed(0),
              String(price.counts),
              price.minutes.toFixed(0),
              price.oldLeftMl.toFixed(1),
            ].map((v, i) => (
              <View key={i} style={styles.figure}>
                <Numeral tone={tone} unit={i === 0 || i === 3 ? 'mL' : undefined}>
                  {v}
                </Numeral>
              </View>
            ))}
      </View>
      {'code' in price ? (
        <Words size="small" tone={tone}>
          {refused}
        </Words>
      ) : (
        <PriceBar price={price} order={order} surety={surety} most={most} onInk={chosen} />
      )}
      <Words size="small" tone={chosen ? 'ground' : 'softWords'}>
        {chosen ? `${places}. ${words.speaksFor}` : places}
      </Words>
    </Press>
  );
}

/** What an order needs, what of it is more than the cheapest, and between which ends that may lie. */
function PriceBar({
  price,
  order: { cost },
  surety,
  most,
  onInk,
}: {
  readonly price: Exclude<PlanOrder['price'], { readonly code: string }>;
  readonly order: PlanOrder;
  readonly surety: CostSurety | null;
  readonly most: number;
  /** Whether it lies on the inked row. */
  readonly onInk: boolean;
}) {
  const ink = onInk ? styles.onInk : null;
  const more = cost?.moreMl ?? 0;
  const against = price.bledMl - more;
  const share = (ml: number) => `${Math.max(0, Math.min(100, (100 * ml) / most))}%` as const;
  return (
    <View style={styles.banded}>
      <View style={[styles.needed, { width: share(against + Math.min(0, more)) }]} />
      <View style={[styles.bar, ink, { width: share(Math.max(0, more)) }]} />
      {surety ? (
        <View
          style={[
            styles.band,
            ink,
            {
              left: share(against + surety.band.leastMl),
              width: share(Math.max(most / 200, surety.band.mostMl - surety.band.leastMl)),
            },
          ]}
        />
      ) : null}
    </View>
  );
}

const nameOf = (plan: Plan, id: string): string =>
  bleederName(plan.layout.bleeders.find((b) => b.id === id)!);
const namesOf = (plan: Plan, ids: readonly string[]): string =>
  ids.map((id) => nameOf(plan, id)).join(' and ');

/** Why an order cannot be followed; a maker's order that leaves one out is asked to be completed. */
const refusalOf = (plan: Plan, price: Extract<PlanOrder['price'], { readonly code: string }>) =>
  price.code === 'incomplete'
    ? `It leaves out ${namesOf(plan, price.missing)}, which this job opens. Complete it at the vehicle, under “The maker’s word”; then it is priced.`
    : orderRefusalWords(price);

/** How far the search for the best order is; stopped, it says how much could still be saved at most. */
function Search({
  search,
  priced,
  free,
  onCancel,
}: {
  readonly search: SearchState | null;
  readonly priced: 'not yet' | 'priced' | 'nothing to compare';
  readonly free: boolean;
  readonly onCancel: () => void;
}) {
  if (priced === 'not yet') return <Words>Pricing the schools …</Words>;
  if (priced === 'nothing to compare')
    return (
      <Words>
        Nothing to choose by price: where the fluid is not renewed, each line is swept by its own
        volume, and every order needs the same.
      </Words>
    );
  if (!free)
    return (
      <Words size="small">
        The order is not free here: one bleeder, or passes that the modulator asks for.
      </Words>
    );
  if (!search) return <Words>Trying every order …</Words>;
  if (search.finished)
    return (
      <Words
        strong
      >{`With one opening each, all ${search.inAll} orders decided: none needs less than ${search.bledMl.toFixed(0)} mL.`}</Words>
    );
  if (isNearEnough(search))
    return (
      <Words
        strong
      >{`With one opening each, no order can save more than ${search.gapMl.toFixed(0)} mL on ${search.bledMl.toFixed(0)}: within ${100 * NEAR_ENOUGH} % of the least, which is nearer than anybody can know.`}</Words>
    );
  return (
    <View style={styles.search}>
      <Words>{`Trying every order: ${search.decided} of ${search.inAll} decided. Best so far ${search.bledMl.toFixed(0)} mL; no order can save more than ${search.gapMl.toFixed(0)} mL on it.`}</Words>
      <View style={styles.track}>
        <View style={[styles.bar, { width: `${(100 * search.decided) / search.inAll}%` }]} />
      </View>
      <Button label="Stop the search" onPress={onCancel} />
    </View>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', alignItems: 'center', gap: SPACE.hair },
  grow: { flex: 1 },
  figure: { width: FIGURE_WIDTH, alignItems: 'flex-end' },
  order: {
    borderTopWidth: 1,
    borderTopColor: colour.hairline,
    paddingVertical: SPACE.small,
    paddingHorizontal: SPACE.small,
    gap: SPACE.hair,
  },
  chosen: { backgroundColor: colour.words },
  onInk: { backgroundColor: colour.ground },
  track: { height: 10, backgroundColor: colour.well, flexDirection: 'row' },
  needed: { height: 10, backgroundColor: colour.edge },
  bar: { height: 10, backgroundColor: colour.words },
  banded: { height: 14, flexDirection: 'row' },
  band: { position: 'absolute', top: 12, height: 2, backgroundColor: colour.words },
  search: { gap: SPACE.small },
});
