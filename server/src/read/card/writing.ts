import bidiFactory from 'bidi-js';
import { fontFor, lettersIn, printable, type Face } from './letters';

const bidi = bidiFactory();

/** How words are written: in which face, how large (points), in which colour. */
export interface Style {
  readonly face: Face;
  readonly size: number;
  readonly color: string;
}

/** Where they are put, in points from the left upper corner of the sheet. */
export interface Place {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly align?: 'left' | 'right' | 'center';
  /** On one line, cut with an ellipsis where it is too long. */
  readonly oneLine?: boolean;
}

/** A letter of one line. */
interface Sign {
  readonly text: string;
  readonly font: string;
  readonly width: number;
  /** Odd where it is read from the right (UAX #9). */
  readonly level: number;
}

/**
 * Writes in any script that a font is here for, also in several on one line
 * and from right to left. What its face has alone goes the short way.
 */
export class Writing {
  constructor(private readonly doc: PDFKit.PDFDocument) {}

  /** @returns how high it is, points */
  write(said: string, style: Style, place: Place): number {
    const { doc } = this;
    const { x, y, width, align = 'left', oneLine = false } = place;
    const words = printable(style.face, said);
    doc.font(style.face).fontSize(style.size).fillColor(style.color);
    if (isPlain(style.face, words)) {
      const one = oneLine ? { lineBreak: false, ellipsis: true } : {};
      doc.text(words, x, y, { width, align, ...one });
      return oneLine ? this.lineHeight(style) : doc.heightOfString(words, { width });
    }
    const lines = this.lines(words, style, width);
    const cut = oneLine && lines.length > 1;
    const shown = cut ? [[...lines[0]!, this.sign('…', 0, style)]] : lines;
    shown.forEach((line, i) => {
      const free = width - this.widthAsSet(line, style);
      const from = align === 'right' ? free : align === 'center' ? free / 2 : 0;
      this.line(line, style, x + from, y + i * this.lineHeight(style));
    });
    return shown.length * this.lineHeight(style);
  }

  /** How high words are in a width, points. */
  heightOf(said: string, style: Style, width: number): number {
    const words = printable(style.face, said);
    this.doc.font(style.face).fontSize(style.size);
    if (isPlain(style.face, words)) return this.doc.heightOfString(words, { width });
    return this.lines(words, style, width).length * this.lineHeight(style);
  }

  private lineHeight({ face, size }: Style): number {
    return this.doc.font(face).fontSize(size).currentLineHeight(true);
  }

  /** Its lines, each in the order in which it is read. */
  private lines(words: string, style: Style, width: number): Sign[][] {
    return words.split('\n').flatMap((paragraph) => {
      const { levels } = bidi.getEmbeddingLevels(paragraph, 'ltr');
      let at = 0;
      const signs = lettersIn(paragraph).map((text): Sign => {
        const level = levels[at] ?? 0;
        at += text.length;
        return this.sign(text, level, style);
      });
      return inLines(signs, width);
    });
  }

  private sign(text: string, level: number, { face, size }: Style): Sign {
    const font = fontFor(face, text) ?? face;
    // Read from the right, a bracket opens to the other side.
    const mirrored = level % 2 === 1 ? (bidi.getMirroredCharacter(text) ?? text) : text;
    const width = this.doc.font(font).fontSize(size).widthOfString(mirrored);
    return { text: mirrored, font, width, level };
  }

  /** How wide a line is, its letters joined. */
  private widthAsSet(line: readonly Sign[], { size }: Style): number {
    return stretches(line).reduce(
      (sum, { font, text }) => sum + this.doc.font(font).fontSize(size).widthOfString(text),
      0,
    );
  }

  /** One line on the base line of its face, stretch by stretch from the left. */
  private line(line: readonly Sign[], { face, size, color }: Style, x: number, y: number): void {
    const { doc } = this;
    const { ascender } = (doc.font(face) as unknown as { _font: { ascender: number } })._font;
    const base = y + (ascender / 1000) * size;
    let at = x;
    for (const { font, text } of stretches(line)) {
      doc.font(font).fontSize(size).fillColor(color);
      doc.text(text, at, base, { lineBreak: false, baseline: 'alphabetic' });
      at += doc.widthOfString(text);
    }
  }
}

/** Whether a face has all of it by itself, read from the left. */
const isPlain = (face: Face, words: string): boolean =>
  lettersIn(words).every((letter) => /^\s$/u.test(letter) || fontFor(face, letter) === face);

const widthOf = (line: readonly Sign[]): number => line.reduce((sum, s) => sum + s.width, 0);

const THAI = /\p{Script=Thai}/u;
const WORDS = new Intl.Segmenter('th', { granularity: 'word' });

/** Put letters into lines no longer than a width: broken at blanks, in Thai between words, and where a word is longer than a line. */
function inLines(signs: readonly Sign[], width: number): Sign[][] {
  const lines: Sign[][] = [[]];
  for (const word of inWords(signs)) {
    const line = lines.at(-1)!;
    if (line.length > 0 && widthOf(line) + widthOf(withoutBlanks(word)) > width) lines.push([]);
    for (const sign of word) {
      const last = lines.at(-1)!;
      const fits = widthOf(last) + sign.width <= width || isBlank(sign);
      if (fits || last.length === 0) last.push(sign);
      else lines.push([sign]);
    }
  }
  return lines.map(withoutBlanks);
}

const isBlank = ({ text }: Sign): boolean => /^\s$/u.test(text);

function withoutBlanks(line: readonly Sign[]): Sign[] {
  let end = line.length;
  while (end > 0 && isBlank(line[end - 1]!)) end--;
  return line.slice(0, end);
}

/** Stretches between which a line may be broken. */
function inWords(signs: readonly Sign[]): Sign[][] {
  const text = signs.map((s) => s.text).join('');
  const breaks = new Set(Array.from(WORDS.segment(text), (s) => s.index));
  const words: Sign[][] = [];
  let at = 0;
  signs.forEach((sign, i) => {
    const before = signs[i - 1];
    const thai = before && THAI.test(before.text) && THAI.test(sign.text) && breaks.has(at);
    if (!before || thai || (isBlank(before) && !isBlank(sign))) words.push([]);
    words.at(-1)!.push(sign);
    at += sign.text.length;
  });
  return words;
}

/** Letters that join or carry marks and are read from the right: their font sets a whole stretch of them. */
const FROM_RIGHT = /^[\p{Script=Hebrew}\p{Script=Arabic}]/u;

/** Stretches of one font as they stand from left to right (UAX #9, L2). */
function stretches(line: readonly Sign[]): { font: string; text: string }[] {
  const made: { font: string; level: number; text: string; joins: boolean }[] = [];
  for (const { font, level, text } of inSight(line)) {
    const last = made.at(-1);
    const joins = level % 2 === 0 || FROM_RIGHT.test(text);
    if (last && last.font === font && last.level === level && last.joins && joins)
      // What is read from the right goes to its font in the order in which it is read.
      last.text = level % 2 === 0 ? last.text + text : text + last.text;
    else made.push({ font, level, text, joins });
  }
  return made;
}

/** A line as it is seen: from the highest level down, every stretch at least as high is turned round. */
function inSight(line: readonly Sign[]): Sign[] {
  const seen = [...line];
  const highest = Math.max(0, ...line.map((s) => s.level));
  for (let level = highest; level >= 1; level--)
    for (let i = 0; i < seen.length; i++) {
      if (seen[i]!.level < level) continue;
      let end = i;
      while (end < seen.length && seen[end]!.level >= level) end++;
      seen.splice(i, end - i, ...seen.slice(i, end).reverse());
      i = end;
    }
  return seen;
}
