import { brookGeometry, MARK_RADIUS } from '@brook/core/vehicle/diagram';
import { pouredWords, type CardLine, type JobCard } from '@brook/core/job/card';
import { inUnits, numberIn, unitIn, type UnitChoice } from '@brook/core/base/units';
import { drawCode, HAIRLINE, INK, newSheet, SOFT } from './paper';
import type { CardDrawn } from './service';
import type { Face } from './letters';
import { Writing, type Style } from './writing';

/** A4, in points (ISO 216: 210 × 297 mm). */
const PAGE = { width: 595.28, height: 841.89 } as const;
const EDGE = 48;
const INNER = PAGE.width - 2 * EDGE;
const GAP = 24;
/** Above the foot nothing is written over. */
const FOOT = 72;
/**
 * The card on one page A4, black on white: what does not fit any more is said
 * to stand in the record, never cut.
 *
 * @param address of the record, for the code at the foot
 * @param units of who prints it; a card that is handed over says which by every number
 */
export function cardPdf(
  { card, layout, timeZone }: CardDrawn,
  address: string,
  units: UnitChoice,
): Promise<Buffer> {
  const { doc, whole } = newSheet('A4', {
    title: `Job ${card.jobNumber}: ${card.title}`,
    author: card.workshop,
  });
  const paper = new Paper(doc, timeZone, units);
  paper.head(card);
  paper.twoColumns(card);
  paper.brook(card, layout);
  paper.openings(card);
  paper.fluid(card);
  paper.checks(card);
  paper.rest(card);
  paper.foot(card, address);
  doc.end();
  return whole;
}

/** Words on one page, from the top down. */
class Paper {
  private y = EDGE;
  /** Whether something did not fit. */
  private short = false;
  private readonly moment: Intl.DateTimeFormat;
  private readonly day: Intl.DateTimeFormat;
  private readonly writing: Writing;

  constructor(
    private readonly doc: PDFKit.PDFDocument,
    timeZone: string,
    private readonly units: UnitChoice,
  ) {
    this.writing = new Writing(doc);
    const day = { day: 'numeric', month: 'short', year: 'numeric', timeZone } as const;
    this.moment = new Intl.DateTimeFormat('en-GB', { ...day, hour: '2-digit', minute: '2-digit' });
    this.day = new Intl.DateTimeFormat('en-GB', { ...day, day: undefined, month: 'long' });
  }

  head(card: JobCard): void {
    const { outcome } = card;
    this.write(card.workshop, EDGE, 9, 'words', SOFT, 300);
    const when = outcome.atMs === null ? '' : this.moment.format(outcome.atMs);
    const right = [
      [outcome.is === 'under way' ? 'Under way' : capitalOf(outcome.is), 'words'],
      [when, 'strong'],
      [outcome.by ?? '', 'words'],
    ] as const;
    let y = this.y;
    for (const [words, face] of right) {
      const place = { x: PAGE.width - EDGE - 170, y, width: 170, align: 'right' } as const;
      y += Math.max(13, this.writing.write(words, { face, size: 9, color: INK }, place));
    }
    this.y += 14;
    this.y += this.write(card.title, EDGE, 18, 'strong', INK, INNER - 190) + 4;
    const about = `${card.vehicle.name} · ${card.vehicle.tag} · job ${card.jobNumber}`;
    this.y += this.write(about, EDGE, 9, 'words', INK, INNER - 190);
    if (outcome.reason)
      this.y += this.write(`Ended: ${outcome.reason}`, EDGE, 9, 'strong', INK, INNER - 190);
    this.y = Math.max(this.y, y) + 8;
    this.rule(2);
  }

  twoColumns({ before, after }: JobCard): void {
    const width = (INNER - GAP) / 2;
    const top = this.y;
    const column = (title: string, lines: readonly CardLine[], x: number): number => {
      let y = top;
      this.writing.write(title, { face: 'strong', size: 10, color: INK }, { x, y, width });
      y += 17;
      for (const line of lines.length > 0 ? lines : [NOTHING]) {
        const said = inUnits(line.value, this.units);
        const value = line.source === 'by feel' ? `${said} (by feel)` : said;
        const rows = this.writing.write(line.what, BODY_SOFT, { x, y, width: width * 0.46 });
        const right = { x: x + width * 0.48, width: width * 0.52, align: 'right' } as const;
        const values = this.writing.write(value, BODY, { y, ...right });
        y += Math.max(rows, values) + 4;
        this.line(x, y - 2, x + width);
      }
      return y;
    };
    const left = column('Before', before, EDGE);
    const right = column('After', after, EDGE + width + GAP);
    this.y = Math.max(left, right) + 12;
  }

  /** The layout as the long profile that the app draws, lines as pipes: to be told apart without colour. */
  brook({ order }: JobCard, layout: CardDrawn['layout']): void {
    const height = 190;
    const g = brookGeometry(layout, order, INNER, height);
    const { doc } = this;
    doc.save().translate(EDGE, this.y);
    doc.lineWidth(0.7).strokeColor(HAIRLINE);
    doc.moveTo(0, g.ground).lineTo(INNER, g.ground).stroke();
    doc.font('numerals').fontSize(10).fillColor(SOFT);
    for (const { metre, x } of g.metres) {
      doc
        .moveTo(x, g.ground - 3)
        .lineTo(x, g.ground + 3)
        .stroke();
      const along = numberIn(String(metre), 'm', this.units);
      const words = metre === 0 ? `0 ${unitIn('m', this.units)}` : along;
      doc.text(words, x - 20, g.ground + 5, { width: 40, align: 'center' });
    }
    for (const b of g.bleeders)
      doc
        .moveTo(b.at.x, b.at.y)
        .lineTo(b.mark.x, b.mark.y - MARK_RADIUS)
        .stroke();
    // Two circuits: the second is drawn as a broken pipe.
    for (const [width, color] of [
      [4.4, INK],
      [2.4, '#fff'],
    ] as const) {
      doc.lineWidth(width).strokeColor(color).lineCap('round');
      for (const s of g.stretches) doc.moveTo(s.from.x, s.from.y).lineTo(s.to.x, s.to.y).stroke();
    }
    doc.lineWidth(1.1).strokeColor(INK);
    for (const s of g.stretches.filter((x) => x.circuit % 2 === 1))
      doc.dash(4, { space: 4 }).moveTo(s.from.x, s.from.y).lineTo(s.to.x, s.to.y).stroke();
    doc.undash();
    for (const r of g.reservoirGroups) {
      doc.moveTo(r.at.x, r.at.y).lineTo(r.at.x, r.feedsDownTo).stroke();
      doc.roundedRect(r.at.x - 12, r.at.y - 18, 24, 22, 4).fillAndStroke('#fff', INK);
    }
    for (const { node, at } of g.nodes)
      if (node.kind === 'modulator')
        doc.rect(at.x - 5, at.y - 5, 10, 10).fillAndStroke('#fff', INK);
    for (const b of g.bleeders) {
      doc.circle(b.mark.x, b.mark.y, MARK_RADIUS).fillAndStroke('#fff', INK);
      if (b.number === null) continue;
      doc.font('numerals').fontSize(12).fillColor(INK);
      doc.text(String(b.number), b.mark.x - MARK_RADIUS, b.mark.y - 7, {
        width: 2 * MARK_RADIUS,
        align: 'center',
      });
    }
    doc.restore();
    this.y += height + 10;
  }

  openings({ openings }: JobCard): void {
    if (openings.length === 0) return;
    const columns = [
      { title: 'Bleeder', width: 0.3 },
      { title: 'strokes plan / done', width: 0.18 },
      { title: `${unitIn('mL', this.units)} plan / done`, width: 0.17 },
      { title: 'bubbles', width: 0.15 },
      { title: 'tight', width: 0.2 },
    ];
    this.row(
      columns,
      columns.map((c) => c.title),
      SOFT,
    );
    for (const o of openings) {
      if (!this.fits(16)) return;
      this.row(
        columns,
        o.left
          ? [`${o.number} ${o.place}`, `left: ${o.left}`, '', '', '']
          : [
              `${o.number} ${o.place}`,
              `${o.plannedStrokes} / ${o.strokes}`,
              [o.plannedMl, o.bledMl]
                .map((ml) => numberIn(String(ml), 'mL', this.units))
                .join(' / '),
              o.bubbles ?? 'nobody looked',
              o.tightened,
            ],
        INK,
      );
    }
    this.y += 8;
  }

  fluid({ fluid }: JobCard): void {
    if (!fluid || !this.fits(30)) return;
    const counted = fluid.bledBy === 'strokes' ? 'by the count' : 'measured';
    this.pair('Fluid', pouredWords(fluid));
    this.pair(
      'Out',
      [
        `bled ${Math.round(fluid.bledMl)} mL, ${counted}`,
        fluid.removedMl > 0 && `drawn off ${Math.round(fluid.removedMl)} mL`,
        fluid.spilledMl > 0 && `spilled ${Math.round(fluid.spilledMl)} mL`,
      ]
        .filter(Boolean)
        .join(', '),
    );
  }

  checks({ checks }: JobCard): void {
    if (checks.length === 0) return;
    this.y += 4;
    const width = (INNER - GAP) / 2;
    const half = Math.ceil(checks.length / 2);
    const top = this.y;
    let lowest = top;
    [checks.slice(0, half), checks.slice(half)].forEach((column, i) => {
      let y = top;
      const x = EDGE + i * (width + GAP);
      for (const c of column) {
        const words = `${c.passes ? '' : 'Not so: '}${c.what}${c.photo ? ' (photo)' : ''}`;
        const height = Math.max(
          this.writing.heightOf(words, CHECK, width - 78),
          this.writing.heightOf(c.by, CHECK, 64),
        );
        if (y + height > PAGE.height - FOOT - 60) {
          this.short = true;
          break;
        }
        this.tick(x, y + 1, c.passes);
        this.writing.write(words, CHECK, { x: x + 14, y, width: width - 78 });
        const by = { x: x + width - 64, y, width: 64, align: 'right' } as const;
        this.writing.write(c.by, { ...CHECK, color: SOFT }, by);
        y += height + 3;
      }
      lowest = Math.max(lowest, y);
    });
    this.y = lowest + 6;
    this.line(EDGE, this.y - 3, EDGE + INNER);
  }

  rest(card: JobCard): void {
    if (card.people.length > 0)
      this.pair('People', card.people.map((p) => `${p.name} (${p.did})`).join('; '));
    if (card.overridden.length > 0)
      this.pair('Let go', card.overridden.map((o) => `${o.what}: ${o.why} (${o.by})`).join('; '));
    if (card.steps.length > 0) this.pair('Steps', card.steps.join('; '));
    if (card.cleared.length > 0) this.pair('Cleared', card.cleared.join('; '));
    this.pair('Look again', card.left.length > 0 ? card.left.join('; ') : 'nothing left open');
    if (card.due)
      this.pair(
        'Due',
        `${this.day.format(card.due.atMs)}, by ${card.due.by === 'maker' ? 'its maker' : 'the house rule'}`,
      );
  }

  foot(card: JobCard, address: string): void {
    const y = PAGE.height - FOOT + 4;
    this.line(EDGE, y - 6, EDGE + INNER);
    const words = [
      'Measured unless it says by feel. “About” and “none found” are reckoned by a model.',
      this.short ? 'Not all of it fits on one page: the rest stands in the record.' : null,
      card.outcome.is === 'released'
        ? `Released by ${card.outcome.by}: a named person says that it may be driven, not the app.`
        : 'Not released by this job.',
    ];
    const small: Style = { face: 'words', size: 8, color: SOFT };
    this.writing.write(words.filter(Boolean).join('\n'), small, { x: EDGE, y, width: INNER - 120 });
    const beside = { x: PAGE.width - EDGE - 118, y: y + 18, width: 66, align: 'right' } as const;
    this.writing.write('opens the record', small, beside);
    drawCode(this.doc, address, PAGE.width - EDGE - 46, y - 2, 46);
  }

  private tick(x: number, y: number, passes: boolean): void {
    this.doc.rect(x, y, 7, 7).lineWidth(0.8);
    if (passes) this.doc.fillAndStroke(INK, INK);
    else this.doc.stroke(INK);
  }

  private pair(title: string, metric: string): void {
    const words = inUnits(metric, this.units);
    if (!this.fits(this.writing.heightOf(words, BODY, INNER - 70) + 5)) return;
    const y = this.y;
    this.writing.write(title, { ...BODY, face: 'strong' }, { x: EDGE, y, width: 66 });
    this.y += this.writing.write(words, BODY, { x: EDGE + 70, y, width: INNER - 70 }) + 5;
  }

  private row(
    columns: readonly { readonly width: number }[],
    cells: readonly string[],
    color: string,
  ): void {
    let x = EDGE;
    columns.forEach(({ width }, i) => {
      const [face, size, align] =
        i === 0 ? (['words', 9, 'left'] as const) : (['numerals', 10, 'right'] as const);
      const place = { x, y: this.y, width: width * INNER - 4, align, oneLine: true };
      this.writing.write(cells[i]!, { face, size, color }, place);
      x += width * INNER;
    });
    this.y += 14;
    this.line(EDGE, this.y - 1.5, EDGE + INNER);
  }

  private fits(height: number): boolean {
    const fits = this.y + height <= PAGE.height - FOOT - 8;
    if (!fits) this.short = true;
    return fits;
  }

  private write(
    words: string,
    x: number,
    size: number,
    face: Face,
    color: string,
    width: number,
  ): number {
    return this.writing.write(words, { face, size, color }, { x, y: this.y, width });
  }

  private rule(width: number): void {
    this.doc.lineWidth(width).strokeColor(INK);
    this.doc
      .moveTo(EDGE, this.y)
      .lineTo(EDGE + INNER, this.y)
      .stroke();
    this.y += 10;
  }

  private line(x: number, y: number, to: number): void {
    this.doc.lineWidth(0.5).strokeColor(HAIRLINE).moveTo(x, y).lineTo(to, y).stroke();
  }
}

const BODY: Style = { face: 'words', size: 9, color: INK };
const BODY_SOFT: Style = { ...BODY, color: SOFT };
const CHECK: Style = { ...BODY, size: 8.5 };

const NOTHING: CardLine = { what: 'Nothing was measured', value: '', source: 'recorded' };

const capitalOf = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);
