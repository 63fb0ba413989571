import type { CentreLine } from './centre-line';

/** Lines of a circuit along which a measuring wheel can be pushed. */
export const WHEELED_LINES = ['middle', 'left', 'right'] as const;
export type WheeledLine = (typeof WHEELED_LINES)[number];

/**
 * How far it is from the start along the middle or an edge of the road, metres: in a hairpin the outer edge is longer than
 * the inner one by more than a car's length.
 */
export class Wheeled {
  readonly lengthM: number;
  /** Metres from the start, at each station of the centre line. */
  private readonly alongM: Float64Array;

  constructor(
    private readonly centre: CentreLine,
    along: WheeledLine,
  ) {
    const n = centre.xM.length;
    const x = new Float64Array(n);
    const y = new Float64Array(n);
    for (let i = 0; i < n; i++) {
      const off = along === 'middle' ? 0 : along === 'left' ? centre.leftM[i]! : -centre.rightM[i]!;
      x[i] = centre.xM[i]! + off * centre.normalX[i]!;
      y[i] = centre.yM[i]! + off * centre.normalY[i]!;
    }
    const step = (i: number) => Math.hypot(x[(i + 1) % n]! - x[i]!, y[(i + 1) % n]! - y[i]!);
    this.alongM = new Float64Array(n);
    for (let i = 1; i < n; i++) this.alongM[i] = this.alongM[i - 1]! + step(i - 1);
    this.lengthM = this.alongM[n - 1]! + step(n - 1);
  }

  /** @param atM a place along the centre line, metres from the start */
  at(atM: number): number {
    const i = Math.min(this.alongM.length - 1, Math.floor(atM / this.centre.stepM));
    const from = this.alongM[i]!;
    const to = this.alongM[i + 1] ?? this.lengthM;
    return from + (atM / this.centre.stepM - i) * (to - from);
  }
}
