import type { BoardRow } from './blocks';
/** How a drive is carried over the board, by pointer or by keyboard, as the board tells it. */
export type Carry =
  /** @property byS later than it was; @property row where it is now, if over another row */
  | { readonly phase: 'move'; readonly byS: number; readonly row: string | undefined }
  | { readonly phase: 'drop'; readonly despiteRules: boolean }
  | { readonly phase: 'cancel' };

/** A pointer that is pressed on a drive carries it once it has moved so far, in pixels. */
const THRESHOLD_PX = 4;
const MINUTE_S = 60;

/** Follows a pointer, or the keys, that carry a drive; tells what that means in time and rows. */
export class BlockDrag {
  private pressed: { drive: string; row: string; x: number; y: number; carrying: boolean } | undefined;
  private keys: { row: string; home: string; byS: number } | undefined;

  constructor(
    private readonly geometry: {
      readonly secondsPerPx: () => number;
      readonly rowAt: (clientY: number) => string | undefined;
      readonly rows: () => readonly BoardRow[];
    },
    private readonly tell: (carry: Carry) => void,
  ) {}

  get carrying(): boolean {
    return this.pressed?.carrying === true || this.keys !== undefined;
  }

  press(event: PointerEvent, drive: string, row: string): void {
    if (event.button !== 0 || event.ctrlKey || event.metaKey) return;
    this.pressed = { drive, row, x: event.clientX, y: event.clientY, carrying: false };
  }

  /** @param begin asked once, whether the drive may be carried at all */
  move(event: PointerEvent, begin: (drive: string) => boolean): void {
    const { pressed } = this;
    if (!pressed) return;
    const [dx, dy] = [event.clientX - pressed.x, event.clientY - pressed.y];
    if (!pressed.carrying) {
      if (Math.hypot(dx, dy) < THRESHOLD_PX) return;
      if (!begin(pressed.drive)) {
        this.pressed = undefined;
        return;
      }
      pressed.carrying = true;
      (event.currentTarget as Element).setPointerCapture(event.pointerId);
    }
    const row = this.geometry.rowAt(event.clientY);
    this.tell({
      phase: 'move',
      byS: dx * this.geometry.secondsPerPx(),
      row: row === pressed.row ? undefined : row,
    });
  }

  /** True where a drive was carried, so that the click that follows is none. */
  release(event: PointerEvent): boolean {
    const carried = this.pressed?.carrying === true;
    this.pressed = undefined;
    if (carried) this.tell({ phase: 'drop', despiteRules: event.shiftKey });
    return carried;
  }

  lift(row: string): void {
    this.keys = { row, home: row, byS: 0 };
  }

  /** Keys while a drive is carried; true where the key meant something. */
  key(event: KeyboardEvent): boolean {
    const { keys } = this;
    if (!keys) {
      if (event.key !== 'Escape' || !this.pressed?.carrying) return false;
      this.letGo();
      return true;
    }
    const step = event.altKey ? 5 * MINUTE_S : MINUTE_S;
    switch (event.key) {
      case 'ArrowLeft':
        keys.byS -= step;
        break;
      case 'ArrowRight':
        keys.byS += step;
        break;
      case 'ArrowUp':
      case 'ArrowDown': {
        const rows = this.geometry.rows();
        const place = rows.findIndex(({ id }) => id === keys.row) + (event.key === 'ArrowUp' ? -1 : 1);
        keys.row = rows[place]?.id ?? keys.row;
        break;
      }
      case 'Enter':
        this.keys = undefined;
        this.tell({ phase: 'drop', despiteRules: event.shiftKey });
        return true;
      case 'Escape':
        this.letGo();
        return true;
      default:
        return false;
    }
    this.tell({ phase: 'move', byS: keys.byS, row: keys.row === keys.home ? undefined : keys.row });
    return true;
  }

  letGo(): void {
    this.pressed = undefined;
    this.keys = undefined;
    this.tell({ phase: 'cancel' });
  }
}
