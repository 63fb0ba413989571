import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { DayBefore, GuestResult } from '@core/people/coaching';
import { guestWords, type GuestWords } from '@words/guests';
import { axisIn, Chart, type ChartOptions } from '../../../shared/drawing/chart';

/** Of the normal distribution, for 90 in 100. */
const WITHIN_SE = 1.64;

interface Point {
  readonly label: string;
  readonly value: number;
  /** Half of what it may be off by. */
  readonly within: number;
}

/** Drive by drive, earlier days first: the gain within each, or the pace for the car; with what each may be off by. */
@Component({
  selector: 'jl-gain-chart',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Chart],
  template: `
    @if (points().length > 0) {
      <jl-chart [words]="words()" [options]="options()" />
    } @else {
      <p class="muted">{{ told().results.tooFewLaps }}</p>
    }
  `,
  styles: `
    :host {
      display: block;
      height: 100%;
    }
  `,
})
export class GainChart {
  readonly shows = input.required<'gain' | 'index'>();
  readonly result = input.required<GuestResult>();
  /** Earlier days, the last one first. */
  readonly before = input<readonly DayBefore[]>([]);
  readonly told = input<GuestWords>(guestWords('en'));
  protected readonly points = computed((): Point[] => {
    const isGain = this.shows() === 'gain';
    const point = (label: string, value: number | null | undefined, within: number | null | undefined): Point[] =>
      value === null || value === undefined ? [] : [{ label, value, within: within ?? 0 }];
    const earlier = [...this.before()].reverse().flatMap(({ date, drives }) =>
      drives.flatMap((drive) => {
        const label = `${Number(date.slice(8))}.${Number(date.slice(5, 7))}.\n${drive.car}`;
        return isGain
          ? point(label, drive.gainS, drive.gainWithinS)
          : point(label, drive.index, WITHIN_SE * (drive.indexWithin ?? 0));
      }),
    );
    const today = this.result().drives.flatMap(({ car, analysis, index }, place) => {
      const label = `${place + 1}.\n${car}`;
      return isGain
        ? point(label, analysis.gainS, analysis.gainWithinS)
        : point(label, index?.index, index && WITHIN_SE * index.within);
    });
    return [...earlier, ...today];
  });
  protected readonly words = computed(() => {
    const [isGain, { numbers, results }] = [this.shows() === 'gain', this.told()];
    const value = (of: number) => numbers.fixed(of, isGain ? 1 : 3);
    const list = this.points().map((point) => {
      const unit = isGain ? ' s' : '';
      return `${point.label.replace('\n', ' ')} ${value(point.value)} ± ${value(point.within)}${unit}`;
    });
    return `${isGain ? results.gainWithin : results.paceForTheCar}: ${list.join('; ')}`;
  });
  protected readonly options = computed<ChartOptions>(() => (ink) => {
    const isGain = this.shows() === 'gain';
    const points = this.points();
    const digits = isGain ? 1 : 100;
    const low = Math.min(isGain ? 0 : Infinity, ...points.map(({ value, within }) => value - within));
    const high = Math.max(...points.map(({ value, within }) => value + within));
    return {
      grid: { left: 44, right: 10, top: 26, bottom: 52 },
      xAxis: {
        type: 'category',
        data: points.map(({ label }) => label),
        ...axisIn(ink),
        axisLabel: { color: ink.muted, interval: 0, lineHeight: 14, width: 76, overflow: 'break' },
      },
      yAxis: {
        type: 'value',
        min: Math.floor(low * digits) / digits,
        max: Math.ceil(high * digits) / digits,
        name: isGain ? 's' : this.told().results.index,
        ...axisIn(ink),
      },
      series: [
        isGain
          ? {
              type: 'bar',
              barMaxWidth: 34,
              data: points.map(({ value }) => Math.round(value * 10) / 10),
              itemStyle: { color: ink.lake },
            }
          : {
              type: 'scatter',
              symbol: 'diamond',
              symbolSize: 13,
              data: points.map(({ value }) => Math.round(value * 1000) / 1000),
              itemStyle: { color: ink.lake },
            },
        {
          type: 'custom',
          silent: true,
          data: points.map(({ value, within }, place) => [place, value - within, value + within]),
          renderItem: whisker(ink.ink),
          z: 5,
        },
      ],
    };
  });
}

/** A line over what a value may be, low to high. */
function whisker(colour: string) {
  return (_: unknown, api: { value: (at: number) => number; coord: (place: [number, number]) => [number, number] }) => {
    const [x, low] = api.coord([api.value(0), api.value(1)]);
    const [, high] = api.coord([api.value(0), api.value(2)]);
    return { type: 'line', shape: { x1: x, y1: low, x2: x, y2: high }, style: { stroke: colour, lineWidth: 1.6 } };
  };
}
