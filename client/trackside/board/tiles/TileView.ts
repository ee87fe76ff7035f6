import type { Verdict } from '@core/run/verdict';
import { deltaText } from '../../../ui/Delta';
import type { Palette } from '../../../ui/palette';
import { RADIUS } from '../../../ui/theme';
import { judgedWords, type TileFace } from './tileFace';

/** Whose tile it is, and which key takes them: in the corner. */
export type TileOwner = { athleteId: string; name: string; corner?: string | undefined };

/** How big every tile is, in px, and its colours. */
export type TileLook = { width: number; height: number; palette: Palette };

/** Narrower than this a time and the words for it stand under each other. */
const STACKED = 132;
/** A smaller name is unreadable: it wraps to a second line instead. */
const LEAST_NAME = 10;

/** Type and mark sizes in px for a tile of this size: a laptop on a table is read from further off than a phone in the hand. */
function sizesFor(width: number, height: number) {
  if (width < STACKED)
    return height >= 92
      ? { name: 15, head: 13, big: 24, judged: 18, delta: 15, mark: 12, padding: '3px 6px 5px' }
      : height >= 82
        ? { name: 14, head: 12, big: 20, judged: 15, delta: 13, mark: 10, padding: '2px 5px 3px' }
        : { name: 14, head: 12, big: 17, judged: 13, delta: 12, mark: 9, padding: '1px 4px 2px' };
  if (height >= 140) return { name: 22, head: 20, big: 32, judged: 26, delta: 19, mark: 16, padding: '5px 8px 7px' };
  if (height >= 92) return { name: 17, head: 16, big: 22, judged: 22, delta: 17, mark: 13, padding: '5px 8px 7px' };
  return { name: 15, head: 14, big: 18, judged: 16, delta: 13, mark: 11, padding: '3px 8px 4px' };
}

/** A time with hours is longer than a narrow tile is wide: it is set smaller. */
const bigSize = (size: number, text: string, width: number) =>
  width < STACKED && text.length > 7 ? size * 0.75 : size;

function box(parent: Element, style: Partial<CSSStyleDeclaration>, tag: 'div' | 'span' = 'div'): HTMLElement {
  const made = document.createElement(tag);
  Object.assign(made.style, { boxSizing: 'border-box', ...style });
  parent.append(made);
  return made;
}

const BETWEEN = { display: 'flex', justifyContent: 'space-between', gap: '4px' };

/** The three-way code as VerdictMark draws it, with borders: an SVG would have each tile painted by itself. */
function drawMark(mark: HTMLElement, verdict: Verdict, size: number): void {
  const [across, half] = [(size * 2) / 3, (size * 5) / 12];
  const isOn = verdict === 'on';
  Object.assign(mark.style, {
    borderStyle: 'solid',
    borderColor: 'transparent',
    borderWidth: isOn
      ? '0'
      : `${half}px ${verdict === 'late' ? 0 : across}px ${half}px ${verdict === 'late' ? across : 0}px`,
    [verdict === 'late' ? 'borderLeftColor' : 'borderRightColor']: 'currentColor',
    borderRadius: isOn ? '50%' : '0',
    width: isOn ? `${across}px` : '0',
    height: isOn ? `${across}px` : '0',
    backgroundColor: isOn ? 'currentColor' : 'transparent',
  });
}

/**
 * One athlete's tile as DOM elements, written to directly and only where something changes: at the track it changes several times a second
 * beside the taps, and a tap must not wait for it.
 */
export class TileView {
  /** A tile's place among the others. What changes in the tile is then not laid out anew with all of them, as it would be in a flex item. */
  readonly place = document.createElement('div');
  private readonly root = box(this.place, {});
  private readonly top = box(this.root, BETWEEN);
  private readonly name = box(
    this.top,
    { minWidth: '0', fontWeight: '700', whiteSpace: 'nowrap', textOverflow: 'ellipsis' },
    'span',
  );
  private readonly corner = box(this.top, { fontWeight: '700', fontSize: '13px', lineHeight: '16px' }, 'span');
  private readonly middle = box(this.root, { ...BETWEEN, alignItems: 'baseline' });
  private readonly head = box(this.middle, { fontWeight: '500', whiteSpace: 'nowrap' }, 'span');
  private readonly big = box(this.middle, { fontWeight: '700', whiteSpace: 'nowrap' }, 'span');
  private readonly foot = box(this.root, { display: 'flex' });
  private readonly judged = box(this.foot, {
    alignItems: 'center',
    gap: '5px',
    padding: '0 5px',
    borderRadius: '5px',
    fontWeight: '700',
  });
  private readonly mark = box(this.judged, { boxSizing: 'content-box' });
  private readonly delta = box(this.judged, {}, 'span');
  private look: TileLook | undefined;
  private face: TileFace | undefined;
  private isResting = false;

  constructor(private readonly owner: TileOwner) {
    const { root } = this;
    root.setAttribute('role', 'button');
    root.tabIndex = 0;
    root.dataset.athlete = owner.athleteId;
    Object.assign(root.style, {
      boxSizing: 'border-box',
      display: 'flex',
      flexDirection: 'column',
      justifyContent: 'space-between',
      // How far they are is a second ground, as wide as the share.
      backgroundRepeat: 'no-repeat',
      backgroundPosition: 'left bottom',
      borderStyle: 'solid',
      borderRadius: `${RADIUS}px`,
      fontVariantNumeric: 'tabular-nums',
      cursor: 'pointer',
      // No double-tap zoom, no text selection under a thumb.
      touchAction: 'manipulation',
      userSelect: 'none',
      // Fixed-size boxes with layout containment; not clipped, since that would make the browser paint each tile by itself.
      contain: 'size layout style',
    });
    this.name.textContent = owner.name;
    this.corner.textContent = owner.corner ?? '';
  }

  /** True if it is this athlete's, with this name and this key. */
  isOf(owner: TileOwner | undefined): boolean {
    const { athleteId, name, corner } = this.owner;
    return athleteId === owner?.athleteId && name === owner.name && corner === owner.corner;
  }

  /** Gives it its size and colours. */
  fit(look: TileLook): void {
    const { width, height } = look;
    this.look = look;
    const sizes = sizesFor(width, height);
    const isStacked = width < STACKED;
    Object.assign(this.root.style, { width: `${width}px`, height: `${height}px`, padding: sizes.padding });
    // The time first, what it is for under it.
    Object.assign(this.middle.style, {
      flexDirection: isStacked ? 'column' : 'row',
      gap: isStacked ? '0' : '4px',
    });
    this.head.style.order = isStacked ? '1' : '0';
    this.judged.style.padding = isStacked ? '0 3px' : '0 5px';
    Object.assign(this.name.style, { whiteSpace: 'nowrap', overflowWrap: '' });
    for (const part of ['name', 'head', 'big', 'delta'] as const)
      Object.assign(this[part].style, {
        fontSize: `${sizes[part]}px`,
        lineHeight: `${Math.round(sizes[part] * 1.15)}px`,
      });
    this.foot.style.height = `${sizes.judged}px`;
    if (this.face) {
      const { face, isResting } = this;
      this.face = undefined;
      this.show(face, isResting);
    }
  }

  /** How much of its name there is room for, 1 for all: to be asked of all tiles before any is changed. */
  nameShare(): number {
    const { scrollWidth, clientWidth } = this.name;
    return scrollWidth > clientWidth ? clientWidth / scrollWidth : 1;
  }

  /** Sets the name smaller where it does not fit, and in two lines where it would become too small. */
  fitName(share: number): void {
    if (share === 1 || !this.look) return;
    const { name: size } = sizesFor(this.look.width, this.look.height);
    const fitting = Math.floor(size * share);
    const px = `${Math.max(LEAST_NAME, fitting)}px`;
    Object.assign(this.name.style, { fontSize: px, lineHeight: px });
    if (fitting < LEAST_NAME) Object.assign(this.name.style, { whiteSpace: 'normal', overflowWrap: 'anywhere' });
  }

  /** A press on it was taken and is not on the disk yet. */
  press(): void {
    this.root.dataset.pressed = '';
    this.root.style.boxShadow = `inset 0 0 0 4px ${this.look?.palette.ink}`;
  }

  /** What was pressed is kept. */
  release(): void {
    if (this.root.dataset.pressed === undefined) return;
    delete this.root.dataset.pressed;
    this.root.style.boxShadow = '';
  }

  /** Shows this from now on. */
  show(face: TileFace, isResting: boolean): void {
    const { face: before, look, owner } = this;
    if (!look) return;
    const { palette, width } = look;
    const { fill, due, canTap, last } = face;
    this.face = face;
    if (!before || before.isLate !== face.isLate) this.root.style.borderStyle = face.isLate ? 'dashed' : 'solid';
    if (!before || before.canTap !== canTap || before.due !== due || this.isResting !== isResting) {
      this.isResting = isResting;
      Object.assign(this.root.style, {
        color: due ? palette.onAction : palette.ink,
        borderWidth: canTap ? '2px' : '1px',
        borderColor: canTap ? palette.ink : palette.line,
        backgroundColor: isResting ? palette.ground : palette.raised,
      });
      const ground = due || !canTap ? palette.action : palette.fill;
      this.root.style.backgroundImage = `linear-gradient(${ground}, ${ground})`;
    }
    // Running fills the whole tile; recovering only a strip along its foot, until it is time to go.
    this.root.style.backgroundSize = `${fill}% ${canTap || due ? '100%' : '6px'}`;
    if (before?.head !== face.head) this.head.textContent = face.head;
    if (before?.big !== face.big) {
      this.big.textContent = face.big;
      const isLonger = face.big.length > 7 !== (before?.big.length ?? 0) > 7;
      if (isLonger) this.big.style.fontSize = `${bigSize(sizesFor(width, look.height).big, face.big, width)}px`;
    }
    if (before && before.last?.deltaS === last?.deltaS && before.spoken === face.spoken) return;
    this.root.setAttribute(
      'aria-label',
      `${owner.name}: ${face.spoken}${canTap && last ? `; at ${Math.round(last.atM)} ${judgedWords(last)}` : ''}`,
    );
    if (last?.deltaS === undefined || !last.verdict) {
      this.judged.style.display = 'none';
      return;
    }
    const color = palette[last.verdict];
    Object.assign(this.judged.style, { display: 'flex', color, backgroundColor: palette.ground });
    drawMark(this.mark, last.verdict, sizesFor(width, look.height).mark);
    this.delta.textContent = deltaText(last.deltaS, last.verdict);
  }
}
