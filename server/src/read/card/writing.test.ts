import { getDocument } from 'pdfjs-dist/legacy/build/pdf.js';
import { fontFor, lettersIn, NOT_PRINTED, printable } from './letters';
import { INK, newSheet } from './paper';
import { Writing, type Place, type Style } from './writing';

const STYLE: Style = { face: 'words', size: 10, color: INK };
const LEFT: Place = { x: 20, y: 20, width: 250 };

/** A piece of text as a reader of the file finds it, points from the left and from the bottom. */
interface Found {
  readonly str: string;
  readonly x: number;
  readonly y: number;
}

/** What stands in a PDF, read back by a library that has nothing to do with the one that wrote it. */
async function readBack(pdf: Buffer): Promise<Found[]> {
  const data = new Uint8Array(pdf);
  const page = await (await getDocument({ data, verbosity: 0 }).promise).getPage(1);
  const { items } = await page.getTextContent();
  return items.flatMap((item) =>
    'str' in item
      ? [{ str: item.str, x: item.transform[4] as number, y: item.transform[5] as number }]
      : [],
  );
}

async function written(words: string, style = STYLE, place = LEFT) {
  const { doc, whole } = newSheet('A6', { title: 'x', author: 'x' });
  const height = new Writing(doc).write(words, style, place);
  doc.end();
  const found = await readBack(await whole);
  return { height, found, text: found.map((f) => f.str).join('') };
}
// Dots that a font sets by themselves have no letter of their own.
const letters = (words: string) =>
  [...words.normalize('NFKD')].filter((c) => /[\p{L}\p{N}]/u.test(c));
const sorted = (word: string) => letters(word).sort().join('');

test.each([
  'Zoë Łukasz Őry, Nguyễn Việt',
  'Γιώργος Παπαδόπουλος',
  'Дмитрий Щербаков, job 12',
  'plain words, as ever',
])('%s is read back as it was written, in every face', async (words) => {
  for (const face of ['words', 'strong', 'numerals'] as const) {
    const { text } = await written(words, { ...STYLE, face });
    expect(text.replace(/\s+/g, ' ')).toBe(words);
  }
});

test.each(['राजेश क्षत्रिय श्री', 'ช่างเบรกเปลี่ยนน้ำมัน'])(
  '%s keeps every letter, whatever its font makes of them together',
  async (words) => {
    const { text } = await written(words);
    expect(new Set(letters(text))).toEqual(new Set(letters(words)));
  },
);

test.each([
  // The first word read stands farthest right of its stretch; figures inside go from left to right (UAX #9, rules L2 and I1).
  ['Hebrew', 'דוד 125 מילימטר looked', ['מילימטר', '125', 'דוד', 'looked']],
  ['Arabic', 'محمد 125 سليم looked', ['سليم', '125', 'محمد', 'looked']],
] as const)(
  '%s stands as it is read, from the right, within what is not',
  async (_, words, seen) => {
    const { found } = await written(words);
    const at = (word: string) => {
      // In whichever order the reader gives the letters of a word: asked is where the word stands.
      const of = found.find((f) => sorted(f.str) === sorted(word));
      if (!of) throw new Error(`${word} should be among ${found.map((f) => f.str).join('|')}`);
      return of.x;
    };
    const places = seen.map(at);
    expect(places).toEqual([...places].sort((a, b) => a - b));
  },
);

test('a bracket that is read from the right opens to the other side (UAX #9, rule L4)', async () => {
  const { found } = await written('דוד (בוחן) looked');
  const x = (sign: string) => found.find((f) => f.str.includes(sign))!.x;
  expect(x(')')).toBeGreaterThan(x('('));
  expect(x('(')).toBeLessThan(x('בוחן'));
});

test('what no font here has is said once for each stretch, not drawn as boxes', async () => {
  expect(printable('words', '李明 陈, Brek 🙂')).toBe(`${NOT_PRINTED} , Brek ${NOT_PRINTED}`);
  expect(printable('words', 'Brek')).toBe('Brek');
  const { text } = await written('李明 looked');
  expect(text).toBe('(cannot be printed here) looked');
});

test('every letter of the seven scripts has a font, in every face', () => {
  const scripts = ['Latin', 'Greek', 'Cyrillic', 'Hebrew', 'Arabic', 'Devanagari', 'Thai'];
  const sample = [
    'ßÞłőžŵǻ',
    'ΑΩαωάΰ',
    'ЖЯжяёїђ',
    'אתךםןףץ',
    'ابتثءةىپچگ',
    'अआकखक्षज्ञऋ',
    'กขฮำเแโใไ',
  ];
  sample.forEach((words, i) => {
    expect(words).toMatch(new RegExp(`^[\\p{Script=${scripts[i]}}\\p{M}]+$`, 'u'));
    for (const face of ['words', 'strong', 'numerals'] as const)
      expect(lettersIn(words).filter((l) => fontFor(face, l) === null)).toEqual([]);
  });
});

describe('lines', () => {
  const narrow = { ...LEFT, width: 90 };
  const rows = (found: readonly Found[]) => new Set(found.map((f) => Math.round(f.y))).size;

  test('are broken at blanks, in Thai between its words, and where one word is longer', async () => {
    for (const [words, least] of [
      ['Дмитрий Щербаков Дмитрий Щербаков', 2],
      ['ช่างเบรกเปลี่ยนน้ำมันเบรกทุกสองปีและตรวจสอบรอยรั่ว', 2],
      ['Щ'.repeat(60), 4],
    ] as const) {
      const { found, height } = await written(words, STYLE, narrow);
      expect(rows(found)).toBeGreaterThanOrEqual(least);
      expect(height / rows(found)).toBeCloseTo((await written('Щ')).height);
      expect(Math.max(...found.map((f) => f.x))).toBeLessThan(narrow.x + narrow.width);
    }
  });

  test('are as high as is said before, and one line is one line', async () => {
    const { doc } = newSheet('A6', { title: 'x', author: 'x' });
    const long = 'Дмитрий Щербаков Дмитрий Щербаков';
    const writing = new Writing(doc);
    const height = writing.heightOf(long, STYLE, narrow.width);
    expect(writing.write(long, STYLE, narrow)).toBe(height);
    const one = await written(long, STYLE, { ...narrow, oneLine: true });
    expect(rows(one.found)).toBe(1);
    expect(one.height).toBeLessThan(height);
    expect(one.text).toMatch(/(…|\.\.\.)$/);
  });

  test('end at the right where they should', async () => {
    for (const words of ['Дмитрий', 'محمد']) {
      const [left] = (await written(words)).found;
      const [right] = (await written(words, STYLE, { ...LEFT, align: 'right' })).found;
      const [center] = (await written(words, STYLE, { ...LEFT, align: 'center' })).found;
      expect(right!.x).toBeGreaterThan(left!.x + 180);
      expect(center!.x).toBeCloseTo((left!.x + right!.x) / 2, 0);
    }
  });
});
