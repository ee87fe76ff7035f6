/** A session as a picture to share: the spread, drawn on a canvas in the look of the app. */
import type { Review } from '@core/review/review';
import { scale } from '../ui/plot';
import { LIGHT } from '../ui/palette';
import { shapeAt, spreadPoints } from './Spread';

export type PictureText = { title: string; subtitle: string; lines: readonly string[] };

/** Twice as many px as it is wide on a phone: sharp, and small to send. */
const SIZE = { width: 1080, margin: 60, spread: 520, line: 52 };
const FONT = (weight: 500 | 700, px: number) => `${weight} ${px}px Zest, sans-serif`;
const MARK_SCALE = 3;

/** Words broken into lines that fit. */
export function wrapped(text: string, fits: (line: string) => boolean): string[] {
  const lines: string[] = [];
  for (const word of text.split(' ')) {
    const longer = lines.length === 0 ? word : `${lines.at(-1) ?? ''} ${word}`;
    if (lines.length > 0 && fits(longer)) lines[lines.length - 1] = longer;
    else lines.push(word);
  }
  return lines;
}

function drawSpread(
  context: CanvasRenderingContext2D,
  review: Review,
  top: number,
  highlightId: string | undefined,
): void {
  const points = spreadPoints(review);
  const reach = Math.max(2, Math.min(12, Math.ceil(Math.max(...points.map(({ percent }) => Math.abs(percent))))));
  const y = scale([reach, -reach], [top + 20, top + SIZE.spread - 60]);
  const left = SIZE.margin + 120;
  const column = (SIZE.width - SIZE.margin - left) / review.columns.length;
  const x = (at: number) => left + column * (at + 0.5);
  context.font = FONT(700, 30);
  context.textAlign = 'right';
  for (const percent of [reach, 0, -reach]) {
    context.fillStyle = percent === 0 ? LIGHT.ink : LIGHT.line;
    context.fillRect(
      left,
      y(percent) - (percent === 0 ? 2 : 1),
      SIZE.width - SIZE.margin - left,
      percent === 0 ? 4 : 2,
    );
    context.fillStyle = percent === 0 ? LIGHT.ink : LIGHT.quiet;
    context.fillText(percent === 0 ? 'target' : `${percent > 0 ? '+' : '−'}${reach} %`, left - 16, y(percent) + 10);
  }
  context.textAlign = 'center';
  context.fillStyle = LIGHT.quiet;
  review.columns.forEach((_, at) => {
    if (column > 40 || at % 2 === 0) context.fillText(String(at + 1), x(at), top + SIZE.spread - 10);
  });
  const mine = points.filter(({ athleteId }) => athleteId === highlightId);
  context.strokeStyle = LIGHT.ink;
  context.lineWidth = 6;
  context.beginPath();
  mine.forEach(({ at, percent }, i) =>
    i === 0 ? context.moveTo(x(at), y(percent)) : context.lineTo(x(at), y(percent)),
  );
  context.stroke();
  points.forEach((point, i) => {
    const aside = mine.length > 0 ? 0 : ((i % 5) - 2) * Math.min(12, column / 7);
    context.save();
    context.translate(x(point.at) + aside, y(Math.max(-reach, Math.min(reach, point.percent))));
    context.scale(MARK_SCALE, MARK_SCALE);
    context.fillStyle = LIGHT[point.verdict];
    context.globalAlpha = mine.length > 0 && point.athleteId !== highlightId ? 0.25 : 0.95;
    context.fill(new Path2D(shapeAt(point.verdict, 0, 0)));
    context.restore();
  });
}

/** Draws it. @param highlightId whose line is brought out. @returns the PNG. */
export async function pictureOf(review: Review, text: PictureText, highlightId?: string): Promise<Blob> {
  const canvas = document.createElement('canvas');
  const context = canvas.getContext('2d');
  if (!context) throw new Error('This browser draws no pictures.');
  await document.fonts.load(FONT(700, 30));
  context.font = FONT(500, 38);
  const fits = (line: string) => context.measureText(line).width <= SIZE.width - 2 * SIZE.margin;
  const lines = text.lines.flatMap((line) => wrapped(line, fits));
  const hasSpread = spreadPoints(review).length > 0;
  const top = 190;
  const spread = hasSpread ? SIZE.spread : 0;
  canvas.width = SIZE.width;
  canvas.height = top + spread + 40 + lines.length * SIZE.line + SIZE.margin;
  context.fillStyle = LIGHT.ground;
  context.fillRect(0, 0, canvas.width, canvas.height);
  context.fillStyle = LIGHT.action;
  context.fillRect(0, 0, canvas.width, 16);
  context.fillStyle = LIGHT.ink;
  context.font = FONT(700, 64);
  context.fillText(text.title, SIZE.margin, 100, SIZE.width - 2 * SIZE.margin);
  context.font = FONT(500, 34);
  context.fillStyle = LIGHT.quiet;
  context.fillText(text.subtitle, SIZE.margin, 152, SIZE.width - 2 * SIZE.margin);
  if (hasSpread) drawSpread(context, review, top, highlightId);
  context.textAlign = 'left';
  context.font = FONT(500, 38);
  context.fillStyle = LIGHT.ink;
  lines.forEach((line, i) => context.fillText(line, SIZE.margin, top + spread + 60 + i * SIZE.line));
  return new Promise((resolve, reject) =>
    canvas.toBlob((blob) => (blob ? resolve(blob) : reject(new Error('The picture could not be made.'))), 'image/png'),
  );
}
