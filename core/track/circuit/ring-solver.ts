/**
 * A symmetric positive definite matrix whose rows know only their neighbours on a ring, `reach` steps to either side.
 * Folding the ring (0, n−1, 1, n−2, …) turns it into an ordinary band of twice the reach, which a banded Cholesky
 * decomposition solves in time proportional to n (Golub and Van Loan, *Matrix Computations*, section 4.3).
 */
export class RingMatrix {
  private readonly width: number;
  private readonly band: Float64Array;
  private readonly place: Int32Array;

  /** @param size rows, at least `2 · reach + 1` */
  constructor(
    readonly size: number,
    reach: number,
  ) {
    this.width = 2 * reach + 1;
    this.band = new Float64Array(size * this.width);
    this.place = new Int32Array(size);
    for (let row = 0; row < size; row++) this.place[row] = row <= (size - 1) / 2 ? 2 * row : 2 * (size - row) - 1;
  }

  clear(): void {
    this.band.fill(0);
  }

  /** Adds to the entry of two rows (and to its mirror on the other side of the diagonal). */
  add(row: number, column: number, value: number): void {
    const a = this.place[row]!;
    const b = this.place[column]!;
    const low = a > b ? a : b;
    this.band[low * this.width + (low - (a > b ? b : a))]! += value;
  }

  copyFrom(other: RingMatrix): void {
    this.band.set(other.band);
  }

  /** Multiplies with a vector. */
  times(vector: Float64Array): Float64Array {
    const { size, width, band, place } = this;
    const folded = new Float64Array(size);
    const product = new Float64Array(size);
    for (let row = 0; row < size; row++) folded[place[row]!] = vector[row]!;
    for (let row = 0; row < size; row++) {
      product[row]! += band[row * width]! * folded[row]!;
      for (let back = 1; back < width && back <= row; back++) {
        const value = band[row * width + back]!;
        product[row]! += value * folded[row - back]!;
        product[row - back]! += value * folded[row]!;
      }
    }
    return Float64Array.from({ length: size }, (_, row) => product[place[row]!]!);
  }

  /** Solves for a right-hand side; the matrix is used up by its decomposition. */
  solve(rightSide: Float64Array): Float64Array {
    const { size, width, band, place } = this;
    const x = new Float64Array(size);
    for (let row = 0; row < size; row++) x[place[row]!] = rightSide[row]!;
    for (let row = 0; row < size; row++) {
      const first = Math.max(0, row - width + 1);
      for (let column = first; column <= row; column++) {
        let sum = band[row * width + row - column]!;
        for (let inner = Math.max(first, column - width + 1); inner < column; inner++) {
          sum -= band[row * width + row - inner]! * band[column * width + column - inner]!;
        }
        band[row * width + row - column] = column === row ? Math.sqrt(sum) : sum / band[column * width]!;
      }
      let sum = x[row]!;
      for (let column = first; column < row; column++) sum -= band[row * width + row - column]! * x[column]!;
      x[row] = sum / band[row * width]!;
    }
    for (let row = size - 1; row >= 0; row--) {
      let sum = x[row]!;
      for (let below = row + 1; below < Math.min(size, row + width); below++) {
        sum -= band[below * width + below - row]! * x[below]!;
      }
      x[row] = sum / band[row * width]!;
    }
    return Float64Array.from({ length: size }, (_, row) => x[place[row]!]!);
  }
}
