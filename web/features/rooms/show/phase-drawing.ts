import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { CircuitStudy, StudiedCorner } from '@core/track/car';
import type { ShowWords } from '@words/guests';
import { stationAt, type PlacedCone } from '@core/track/circuit';

/** Beside the corner itself so much of the road is shown, metres. */
const BEFORE_M = 100;
const AFTER_M = 45;

/** A corner of the venue's own circuit with its cones, and a car that drives the teaching line through its phases. */
@Component({
  selector: 'jl-phase-drawing',
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './phase-drawing.html',
  styles: `
    :host,
    svg {
      display: block;
      width: 100%;
      height: 100%;
    }
    .road {
      fill: color-mix(in srgb, var(--p-jl-done) 26%, var(--p-jl-panel));
    }
    .edge {
      fill: none;
      stroke: var(--p-jl-done);
      stroke-width: 0.5;
    }
    .line {
      fill: none;
      stroke: var(--p-jl-lake);
      stroke-width: 0.8;
    }
    .part {
      fill: none;
      stroke-width: 1.5;
      stroke: var(--p-jl-ink);
      stroke-linecap: round;
    }
    .part.brake {
      stroke: var(--p-jl-kerb);
      stroke-width: 2.4;
    }
    .part.turn {
      stroke: var(--p-jl-lake);
      stroke-dasharray: 3 2;
    }
    .part.throttle {
      stroke: var(--p-jl-moss);
      stroke-width: 2.4;
    }
    text {
      fill: var(--p-jl-ink);
      font-weight: 680;
      paint-order: stroke;
      stroke: var(--p-jl-paper);
      stroke-width: 1.2;
    }
    .cone {
      stroke: var(--p-jl-ink);
      stroke-width: 0.7;
    }
    .car rect {
      fill: var(--p-jl-ink);
    }
    .car {
      offset-rotate: auto;
      animation: drive linear infinite;
    }
    @keyframes drive {
      from {
        offset-distance: 0%;
      }
      to {
        offset-distance: 100%;
      }
    }
  `,
})
export class PhaseDrawing {
  readonly study = input.required<CircuitStudy>();
  readonly corner = input.required<StudiedCorner>();
  readonly words = input.required<ShowWords>();

  protected readonly drawing = computed(() => {
    const { centre, teaching, cones, shown } = this.study();
    const { taught, brake } = this.corner();
    const lengthM = centre.lengthM;
    const fromM = Math.min(
      taught.turnInM - BEFORE_M,
      brake ? nearTo(brake.coneM, taught.turnInM, lengthM) - 15 : Infinity,
    );
    const toM = taught.exitM + AFTER_M;
    const stations = Math.round((toM - fromM) / centre.stepM);
    const n = centre.xM.length;
    const centreStation = (k: number) => (stationAt(centre, fromM) + k) % n;
    const edge = (side: 1 | -1) =>
      Array.from({ length: stations }, (_, k) => {
        const i = centreStation(k);
        const off = side === 1 ? centre.leftM[i]! : -centre.rightM[i]!;
        return [centre.xM[i]! + off * centre.normalX[i]!, -(centre.yM[i]! + off * centre.normalY[i]!)] as const;
      });
    const [left, right] = [edge(1), edge(-1)];
    const all = [...left, ...right];
    const [xs, ys] = [all.map(([x]) => x), all.map(([, y]) => y)];
    const [x0, y0] = [Math.min(...xs) - 14, Math.min(...ys) - 14];
    const [width, height] = [Math.max(...xs) + 14 - x0, Math.max(...ys) + 14 - y0];
    const size = Math.max(width, height);

    const line: { atM: number; x: number; y: number; kmh: number }[] = [];
    const m = teaching.xM.length;
    for (let i = 0; i < m; i++) {
      const atM = nearTo(teaching.centreM[i]!, (fromM + toM) / 2, lengthM);
      if (atM >= fromM && atM <= toM)
        line.push({ atM, x: teaching.xM[i]!, y: -teaching.yM[i]!, kmh: shown?.speedKmh[i] ?? 80 });
    }
    line.sort((a, b) => a.atM - b.atM);
    const between = (a: number, b: number) => line.filter(({ atM }) => atM >= a && atM <= b);
    const brakeM = brake ? nearTo(brake.coneM, taught.turnInM, lengthM) : taught.turnInM;
    const apexM = taught.apexesM.at(-1)!;
    const middle = { x: x0 + width / 2, y: y0 + height / 2 };
    const part = (word: string, kind: string, a: number, b: number) => {
      const points = between(a, b);
      const at = points[points.length >> 1] ?? line[0]!;
      const right = at.x >= middle.x;
      return {
        word,
        kind,
        path: pathThrough(points),
        x: at.x + (right ? 1 : -1) * size * 0.05,
        y: at.y,
        anchor: right ? 'start' : 'end',
      };
    };
    const say = this.words().drawing;
    const parts = [
      ...(brake ? [part(say.brake, 'brake', brakeM, taught.turnInM)] : []),
      part(say.turn, 'turn', taught.turnInM, taught.apexesM[0]!),
      part(say.throttle, 'throttle', apexM, taught.exitM),
    ];
    const mean = line.reduce((sum, { kmh }) => sum + kmh, 0) / Math.max(1, line.length);
    return {
      viewBox: `${x0} ${y0} ${width} ${height}`,
      size,
      road: `${pathThrough(left.map(([x, y]) => ({ x, y })))}L${[...right]
        .reverse()
        .map(([x, y]) => `${x.toFixed(1)} ${y.toFixed(1)}`)
        .join('L')}Z`,
      left: pathThrough(left.map(([x, y]) => ({ x, y }))),
      right: pathThrough(right.map(([x, y]) => ({ x, y }))),
      parts,
      cones: cones.cones
        .filter((cone) => this.belongs(cone))
        .map(({ id, xM, yM, marker }) => ({ id, x: xM, y: -yM, css: marker.css, pair: marker.count > 1 })),
      line: pathThrough(line),
      motion: `path('${pathThrough(line)}')`,
      seconds: Math.max(3, (((toM - fromM) / mean) * 3.6) / 0.8).toFixed(1),
    };
  });

  private belongs(cone: PlacedCone): boolean {
    return cone.corner === this.corner().name;
  }
}

/** A place of the lap as the one of its turns round that lies nearest to another place. */
function nearTo(atM: number, otherM: number, lengthM: number): number {
  return atM + lengthM * Math.round((otherM - atM) / lengthM);
}

function pathThrough(points: readonly { readonly x: number; readonly y: number }[]): string {
  return `M${points.map(({ x, y }) => `${x.toFixed(1)} ${y.toFixed(1)}`).join('L')}`;
}
