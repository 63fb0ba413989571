import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  input,
  signal,
  untracked,
  type OnDestroy,
} from '@angular/core';
import { stationAtTime, type CircuitStudy } from '@core/track/car';
import { around, type Circuit } from '@core/track/circuit';
import { Button } from 'primeng/button';
import type { LapCalls } from '../../../shared/data/circuit.worker';
import { CircuitMapView } from '../../rooms/circuit/circuit-map';

/** A call as it is practised. */
export interface SpokenCall {
  readonly text: string;
  /** When to begin, seconds after the start line. */
  readonly sayS: number;
  readonly takesS: number;
}

/** A word stays to be read for so long, however short it is. */
const SHOWN_S = 1.4;
const RATES = [0.5, 1, 1.5] as const;

/** A lap in real time on the map, with each word as it should be said; the browser says it where that is wanted. */
@Component({
  selector: 'jl-practise-lap',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, CircuitMapView],
  template: `
    <div class="map">
      <jl-circuit-map [quiet]="true" [circuit]="circuit()" [study]="study()" [cursorM]="placeM()" />
    </div>
    <div class="said" aria-live="off">
      <p class="word">{{ word() }}</p>
      <p class="muted">{{ ahead() }}</p>
      <progress [value]="atS()" [max]="lapTimeS()" aria-label="Time of the lap"></progress>
      <div class="buttons">
        <p-button [label]="playing() ? 'Pause' : 'Play'" size="small" (onClick)="toggle()" />
        <p-button label="From the line" size="small" [outlined]="true" (onClick)="atS.set(0)" />
        @for (one of rates; track one) {
          <button
            type="button"
            [class.chosen]="rate() === one"
            [attr.aria-pressed]="rate() === one"
            (click)="rate.set(one)"
          >
            {{ one }}×
          </button>
        }
        @if (canSpeak) {
          <button type="button" [class.chosen]="aloud()" [attr.aria-pressed]="aloud()" (click)="speakAloud(!aloud())">
            Say it aloud
          </button>
        }
      </div>
      <p class="muted">{{ atS().toFixed(1) }} of {{ lapTimeS().toFixed(1) }} s</p>
    </div>
  `,
  styleUrl: './practise-lap.scss',
})
export class PractiseLap implements OnDestroy {
  readonly circuit = input.required<Circuit>();
  readonly study = input<CircuitStudy>();
  readonly way = input.required<NonNullable<LapCalls['way']>>();
  readonly lapTimeS = input.required<number>();
  readonly calls = input.required<readonly SpokenCall[]>();

  protected readonly rates = RATES;
  protected readonly rate = signal<number>(1);
  protected readonly playing = signal(false);
  protected readonly aloud = signal(false);
  protected readonly canSpeak = 'speechSynthesis' in window;
  /** Time of the lap. */
  readonly atS = signal(0);
  private frame: number | undefined;
  private lastMs: number | undefined;

  /** In the order of the lap, from the start line; what is said before the line stands at its end. */
  private readonly ordered = computed(() => {
    const lapS = this.lapTimeS();
    return this.calls()
      .map((call) => ({ ...call, sayS: around(call.sayS, lapS) }))
      .sort((a, b) => a.sayS - b.sayS);
  });
  protected readonly placeM = computed(() => {
    const { atM, timeS } = this.way();
    return atM[stationAtTime({ timeS, lapTimeS: this.lapTimeS() }, this.atS())]!;
  });
  protected readonly word = computed(() => {
    const call = this.ordered().findLast(({ sayS }) => sayS <= this.atS());
    return call && this.atS() < call.sayS + Math.max(call.takesS, SHOWN_S) ? call.text : '';
  });
  protected readonly ahead = computed(() => {
    const next = this.ordered().find(({ sayS }) => sayS > this.atS());
    return next ? `then “${next.text}” in ${(next.sayS - this.atS()).toFixed(0)} s` : 'then the line';
  });

  constructor() {
    // Another car, pace or lap is practised from its start.
    effect(() => {
      this.way();
      untracked(() => this.atS.set(0));
    });
  }

  protected toggle(): void {
    this.playing.update((playing) => !playing);
    this.lastMs = undefined;
    if (this.playing()) this.frame = requestAnimationFrame(this.step);
  }

  /** Goes on in the lap by so much, and says what is to be said meanwhile. */
  advance(byS: number): void {
    const fromS = this.atS();
    const toS = fromS + byS;
    for (const { sayS, text } of this.ordered()) if (sayS > fromS && sayS <= toS) this.say(text);
    this.atS.set(toS % this.lapTimeS());
  }

  protected speakAloud(aloud: boolean): void {
    this.aloud.set(aloud);
    if (!aloud) window.speechSynthesis.cancel();
  }

  private readonly step = (nowMs: number): void => {
    if (!this.playing()) return;
    if (this.lastMs !== undefined) this.advance(((nowMs - this.lastMs) / 1000) * this.rate());
    this.lastMs = nowMs;
    this.frame = requestAnimationFrame(this.step);
  };

  private say(text: string): void {
    if (!this.aloud()) return;
    // What is still being said has had its time.
    window.speechSynthesis.cancel();
    const spoken = new SpeechSynthesisUtterance(text);
    spoken.lang = 'en';
    spoken.rate = Math.min(2, this.rate() * 1.1);
    window.speechSynthesis.speak(spoken);
  }

  ngOnDestroy(): void {
    if (this.frame !== undefined) cancelAnimationFrame(this.frame);
    if (this.canSpeak) window.speechSynthesis.cancel();
  }
}
