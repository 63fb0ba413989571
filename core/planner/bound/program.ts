/**
 * Solves a linear or integer program in CPLEX's LP format; undefined where it has no solution, or none was proven within
 * the limit. Given from outside, so that this code loads no solver.
 */
export type SolveProgram = (program: string, limitS: number) => number | undefined;

export type Term = readonly [factor: number, name: string];

/** An integer program while it is being written, in CPLEX's LP format. */
export class Program {
  private readonly rows: string[] = [];
  private readonly binaries = new Set<string>();
  private readonly integers = new Set<string>();

  constructor(
    private readonly sense: 'Minimize' | 'Maximize',
    private readonly objective: Term[] = [],
  ) {}

  binary(name: string): string {
    this.binaries.add(name);
    return name;
  }

  integer(name: string): string {
    this.integers.add(name);
    return name;
  }

  /** Adds to what is to be made small or large. */
  counts(factor: number, name: string): void {
    this.objective.push([factor, name]);
  }

  row(terms: readonly Term[], relation: '<=' | '>=' | '=', right: number): void {
    const left = written(terms);
    if (left !== '') this.rows.push(`${left} ${relation} ${right}`);
  }

  /** @param whole false for the relaxation, in which what counts by ones may be parts of one */
  text(whole = true): string {
    const relaxed = [...this.binaries].map((name) => ` 0 <= ${name} <= 1`);
    return [
      this.sense,
      ` obj: ${written(this.objective)}`,
      'Subject To',
      ...this.rows.map((row, n) => ` r${n}: ${row}`),
      ...(whole ? [] : ['Bounds', ...relaxed]),
      ...(whole && this.integers.size > 0 ? ['General', ` ${[...this.integers].join(' ')}`] : []),
      ...(whole && this.binaries.size > 0 ? ['Binary', ` ${[...this.binaries].join(' ')}`] : []),
      'End',
    ].join('\n');
  }
}

function written(terms: readonly Term[]): string {
  const factors = new Map<string, number>();
  for (const [factor, name] of terms) factors.set(name, (factors.get(name) ?? 0) + factor);
  return [...factors]
    .map(([name, factor]) => [factor, name] as const)
    .filter(([factor]) => factor !== 0)
    .map(([factor, name]) => `${factor < 0 ? '-' : '+'} ${Math.abs(factor)} ${name}`)
    .join(' ')
    .replace(/^\+ /u, '');
}

/** What is used of HiGHS, whose package stays outside. */
interface Highs {
  solve(
    program: string,
    options: { time_limit: number; mip_rel_gap: number; mip_abs_gap: number; output_flag: boolean },
  ): { readonly Status: string; readonly ObjectiveValue: number };
}

/** HiGHS, once it is loaded, as the solver of the bounds. */
export function solverOf(highs: Highs): SolveProgram {
  return (program, limitS) => {
    const options = { time_limit: limitS, mip_rel_gap: 0, mip_abs_gap: 1e-4, output_flag: false };
    const { Status, ObjectiveValue } = highs.solve(program, options);
    return Status === 'Optimal' ? ObjectiveValue : undefined;
  };
}
