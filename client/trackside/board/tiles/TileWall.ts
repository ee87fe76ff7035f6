import { hearPresses, type TileActs } from './presses';
import type { TileFace } from './tileFace';
import { TileView, type TileLook, type TileOwner } from './TileView';

/** What everyone's tile is to show. */
export type Faces = (athleteId: string) => { face: TileFace; isResting: boolean };

/** All tiles of the board, in one element of the page that nobody else writes to. */
export class TileWall {
  private look: TileLook | undefined;
  private readonly views = new Map<string, TileView>();
  private readonly stop: () => void;

  constructor(
    private readonly host: HTMLElement,
    { tap, open }: TileActs,
  ) {
    this.stop = hearPresses(host, {
      open,
      tap: (athleteId, timeStamp) => {
        const isTaken = tap(athleteId, timeStamp);
        if (isTaken) this.views.get(athleteId)?.press();
        return isTaken;
      },
    });
  }

  /** A tile for each of them, in this order. Whoever stays keeps theirs. */
  lay(owners: readonly TileOwner[], look: TileLook): void {
    const isSameLook =
      look.width === this.look?.width && look.height === this.look.height && look.palette === this.look.palette;
    const areSame =
      owners.length === this.views.size && [...this.views.values()].every((view, i) => view.isOf(owners[i]));
    if (areSame && isSameLook) return;
    if (!areSame) {
      const before = new Map(this.views);
      this.views.clear();
      for (const owner of owners) {
        const kept = before.get(owner.athleteId);
        this.views.set(owner.athleteId, kept?.isOf(owner) ? kept : new TileView(owner));
      }
      this.host.replaceChildren(...[...this.views.values()].map(({ place }) => place));
    }
    this.look = look;
    const views = [...this.views.values()];
    for (const view of views) view.fit(look);
    const shares = views.map((view) => view.nameShare());
    views.forEach((view, i) => view.fitName(shares[i] ?? 1));
  }

  /** Shows how things stand, for all or only for these. */
  show(faces: Faces, athleteIds: Iterable<string> = this.views.keys()): void {
    for (const athleteId of athleteIds) {
      const { face, isResting } = faces(athleteId);
      this.views.get(athleteId)?.show(face, isResting);
    }
  }

  /** What was pressed is on the disk. */
  releaseAll(): void {
    for (const view of this.views.values()) view.release();
  }

  /** Takes everything away again. */
  remove(): void {
    this.stop();
    this.host.replaceChildren();
  }
}
