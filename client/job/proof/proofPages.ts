import type { Master, VehicleKind } from '@brook/core/vehicle/circuit';
import {
  controlProof,
  NOTHING_TRIED,
  PROOF_ITEMS,
  takeUpPasses,
  type CheckItem,
  type ControlCheck,
  type Proof,
} from '@brook/core/job/items';
import type { HappeningOf } from '@brook/core/job/events';
import { pedalPasses } from '@brook/core/control/pedal';
import { capital } from '@brook/core/base/text';

/** One thing of the proof, on a page of its own. */
export type ProofPage =
  | { readonly kind: 'result'; readonly master: Master }
  | { readonly kind: 'try'; readonly master: Master; readonly item: ControlCheck }
  /** What the run says already, looked at together. */
  | { readonly kind: 'known'; readonly items: readonly CheckItem[] }
  | { readonly kind: 'look'; readonly item: CheckItem }
  | { readonly kind: 'fluid' };

/** How a page stands: nobody looked, it is right, or it is not. */
export type Standing = 'open' | 'right' | 'wrong';

/**
 * The proof in its order: each control by itself, then the whole vehicle, then
 * what was moved. What the run knows comes as one page in the place of the
 * first of its items.
 *
 * @param known items that the run says, to be looked at together
 * @param moves whether fluid was drawn or poured
 */
export function proofPages(given: {
  readonly controls: readonly Master[];
  readonly vehicleKind: VehicleKind;
  readonly known: readonly CheckItem[];
  readonly moves: boolean;
}): ProofPage[] {
  const { controls, vehicleKind, known, moves } = given;
  const looks = PROOF_ITEMS[vehicleKind].flatMap((item): ProofPage[] => {
    if (!known.includes(item)) return [{ kind: 'look', item }];
    return item === known[0] ? [{ kind: 'known', items: known }] : [];
  });
  return [
    ...controls.flatMap((master): ProofPage[] => {
      const { result, checks } = controlProof(master, vehicleKind);
      return [
        ...(result === 'none' ? [] : [{ kind: 'result', master } as const]),
        ...checks.map((item) => ({ kind: 'try', master, item }) as const),
      ];
    }),
    ...looks,
    ...(moves ? [{ kind: 'fluid' } as const] : []),
  ];
}

/** What a page is known by: the same after a reload and on another phone. */
export function pageKey(page: ProofPage): string {
  switch (page.kind) {
    case 'result':
      return `result ${page.master.id}`;
    case 'try':
      return `${page.item} ${page.master.id}`;
    case 'look':
      return page.item;
    case 'known':
    case 'fluid':
      return page.kind;
  }
}

/** What a photo taken on a page is of; null where there is nothing that one could show. */
export function photoItemOf(page: ProofPage): HappeningOf<'media note'>['proof'] | null {
  switch (page.kind) {
    case 'result':
      return { masterId: page.master.id, item: 'result' };
    case 'try':
      return { masterId: page.master.id, item: page.item };
    case 'look':
      return { masterId: null, item: page.item };
    case 'known':
    case 'fluid':
      return null;
  }
}

/** What a page is headed with. */
export function pageTitle(page: ProofPage): string {
  switch (page.kind) {
    case 'result':
      return capital(page.master.control);
    case 'try':
    case 'look':
      return capital(page.item);
    case 'known':
      return 'Known from the run';
    case 'fluid':
      return 'Fluid used';
  }
}

/** How a page stands by what was answered. */
export function standingOf(page: ProofPage, proof: Proof): Standing {
  const said = (is: boolean | undefined): Standing =>
    is === undefined ? 'open' : is ? 'right' : 'wrong';
  switch (page.kind) {
    case 'result': {
      const { pedal, takeUp } = proof.controls[page.master.id] ?? NOTHING_TRIED;
      if (pedal !== null) return said(pedalPasses(pedal));
      return said(takeUp === null ? undefined : takeUpPasses(takeUp));
    }
    case 'try':
      return said((proof.controls[page.master.id] ?? NOTHING_TRIED).checks[page.item]);
    case 'look':
      return said(proof.checks[page.item]);
    // It stands while nobody has answered one of them.
    case 'known':
      return 'open';
    case 'fluid':
      return proof.fluidPutDown ? 'right' : 'open';
  }
}

/**
 * The page that is called for: the first that nobody answered, else the first
 * that is not right; null where all are.
 */
export function pageCalledFor(pages: readonly ProofPage[], proof: Proof): ProofPage | null {
  const at = (standing: Standing) => pages.find((p) => standingOf(p, proof) === standing);
  return at('open') ?? at('wrong') ?? null;
}
