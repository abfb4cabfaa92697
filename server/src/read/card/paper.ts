import PDFDocument from 'pdfkit';
import { create as qrCode } from 'qrcode';
import { FONT_FILES } from './letters';

export const INK = '#000';
export const SOFT = '#555';
export const HAIRLINE = '#999';

/** One sheet of paper with the app's own fonts, and the bytes that it becomes once it is ended. */
export function newSheet(
  size: 'A4' | 'A6',
  info: { readonly title: string; readonly author: string },
): { readonly doc: PDFKit.PDFDocument; readonly whole: Promise<Buffer> } {
  const doc = new PDFDocument({
    size,
    margin: 0,
    info: { Title: info.title, Author: info.author },
  });
  const parts: Buffer[] = [];
  const whole = new Promise<Buffer>((resolve, reject) => {
    doc.on('data', (part: Buffer) => parts.push(part));
    doc.on('end', () => resolve(Buffer.concat(parts)));
    doc.on('error', reject);
  });
  for (const [name, path] of FONT_FILES) doc.registerFont(name, path);
  return { doc, whole };
}

/** A QR code as dark squares (ISO/IEC 18004). */
export function drawCode(
  doc: PDFKit.PDFDocument,
  text: string,
  x: number,
  y: number,
  side: number,
): void {
  const { size, data } = qrCode(text, { errorCorrectionLevel: 'M' }).modules;
  const module = side / size;
  doc.fillColor(INK);
  data.forEach((dark, i) => {
    if (dark) doc.rect(x + (i % size) * module, y + Math.floor(i / size) * module, module, module);
  });
  doc.fill();
}
