/** One line of core by which a cause of a vehicle that was free and must not have been is shut, and what stood there without it. */
export interface Patch {
  readonly file: string;
  readonly rule: string;
  readonly without: string;
}

/** What was found by trying, each with the rules that shut it, to be taken out again. */
export const CAUSES: Readonly<
  Record<string, { readonly what: string; readonly patches: readonly Patch[] }>
> = {
  a: {
    what: 'a product that must not be in there was poured, and is no harm',
    patches: [
      {
        file: 'job/events/product.ts',
        rule: "return [{ what: 'wrong fluid', where }];",
        without: 'return [];',
      },
    ],
  },
  b: {
    what: 'bad news after the record was closed is not heard',
    patches: [
      {
        file: 'owed/openItems/afterClose.ts',
        rule: '  return additions\n',
        without: '  return additions.slice(0, 0)\n',
      },
    ],
  },
  c: {
    what: 'rubber in a wrong fluid is settled by a proof that says clean',
    patches: [
      {
        file: 'owed/openItems/vehicle.ts',
        rule: 'r in job.stripped && (tookOver(job, m) || job.stripped[r]! >= positionOf(m))',
        without: 'r !== undefined',
      },
    ],
  },
  d: {
    what: 'what came off after the bleed is bled by nobody',
    patches: [
      {
        file: 'owed/openItems/jobSays.ts',
        rule: '  openedByHand(out, job, layout);\n',
        without: '',
      },
    ],
  },
  e: {
    what: 'a proof hides bad news that nobody who gave it had heard of',
    patches: [
      {
        file: 'owed/openItems/vehicle.ts',
        rule: '[...at, WHOLE_VEHICLE].every((x) => (job.provedHeard[x] ?? 0) >= positionOf(m))',
        without: 'at.length + WHOLE_VEHICLE.length > 0',
      },
    ],
  },
  f: {
    what: '“test drive only” stays while something else holds',
    patches: [
      {
        file: 'owed/openItems/saysOf.ts',
        rule: "drive !== null && gateOf(job, about, before)?.verdict !== 'shut'",
        without: 'drive !== null && gateOf(job, about, before) !== undefined',
      },
      {
        file: 'job/log/fold.ts',
        rule: 'const falls = touched || isBadNews(event, context);',
        without: 'const falls = touched && !isBadNews(event, context);',
      },
    ],
  },
  g: {
    what: 'a paper of any date settles what is owed today',
    patches: [
      {
        file: 'owed/openItems/vehicle.ts',
        rule: 'dayEndsMs(p.date) > (m.order?.receivedMs ?? Infinity)',
        without: 'dayEndsMs(p.date) > 0',
      },
    ],
  },
  h: {
    what: 'a layout is edited under what is open',
    patches: [
      {
        file: 'owed/openItems/layoutKeeps.ts',
        rule: 'if (m.where === null) continue;',
        without: 'if (m.where !== undefined) continue;',
      },
    ],
  },
  i: {
    what: 'a mark by hand is taken back without a look',
    patches: [
      {
        file: 'owed/openItems/vehicle.ts',
        rule: "e.kind === 'marked' && !slips.has(e.id) && !looked.has(e.id)",
        without:
          "e.kind === 'marked' && !undone.has(e.id) && !slips.has(e.id) && !looked.has(e.id)",
      },
    ],
  },
};
