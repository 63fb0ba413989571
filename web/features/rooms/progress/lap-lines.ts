import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { GuestResult } from '@core/people/coaching';
import { guestWords, lapTexts, type GuestWords } from '@words/guests';
import { axisIn, Chart, type ChartOptions } from '../../../shared/drawing/chart';

/** The laps of a guest's drives, a line each; spoiled laps are open, the first one small. */
@Component({
  selector: 'jl-lap-lines',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Chart],
  template: `<jl-chart [words]="words()" [options]="options()" />`,
  styles: `
    :host {
      display: block;
      height: 100%;
    }
  `,
})
export class LapLines {
  readonly result = input.required<GuestResult>();
  readonly told = input<GuestWords>(guestWords('en'));
  protected readonly words = computed(() => {
    const { drives } = this.result();
    return drives.map(({ car, analysis }) => `${car}: ${lapTexts(analysis, this.told()).join(', ')}`).join('; ');
  });
  protected readonly options = computed<ChartOptions>(() => (ink) => {
    const { numbers, results } = this.told();
    const colours = [ink.lake, ink.amberMark, ink.lilac, ink.moss];
    return {
      grid: { left: 48, right: 12, top: 34, bottom: 28 },
      legend: { icon: 'circle' },
      tooltip: {
        formatter: ({
          seriesName,
          data,
        }: {
          seriesName: string;
          data: { value: [number, number]; spoiled: boolean };
        }) =>
          `${seriesName}, ${results.lap} ${data.value[0]}: ${numbers.lapTime(data.value[1])}${data.spoiled ? `, ${results.spoiled}` : ''}`,
      },
      xAxis: {
        type: 'value',
        name: results.lap,
        min: 1,
        minInterval: 1,
        ...axisIn(ink),
        splitLine: { show: false },
      },
      yAxis: {
        type: 'value',
        scale: true,
        axisLabel: { color: ink.muted, formatter: (seconds: number) => numbers.lapTime(seconds) },
        splitLine: { lineStyle: { color: ink.line } },
      },
      series: this.result().drives.map(({ car, analysis }, place) => {
        const colour = colours[place % colours.length]!;
        return {
          type: 'line',
          name: `${place + 1}. ${car}`,
          lineStyle: { color: colour, width: 2 },
          itemStyle: { color: colour },
          // A time of several laps together is no point on a line of laps.
          data: analysis.laps
            .filter(({ laps }) => laps === 1)
            .map(({ number, lapS, spoiled, first }) => ({
              value: [number, Math.round(lapS * 10) / 10],
              spoiled,
              symbol: spoiled ? 'emptyCircle' : 'circle',
              symbolSize: spoiled ? 11 : first ? 5 : 8,
            })),
        };
      }),
    };
  });
}
