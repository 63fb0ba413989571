import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { SlideKind } from '@core/people/classroom';
import type { ShowWords } from '@words/guests';

/** Drawings that move, for what is the same at every venue: seat, eyes, grip budget, weight shift, passing, flags. */
@Component({
  selector: 'jl-show-drawing',
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './drawings.html',
  styles: `
    :host,
    svg {
      display: block;
      width: 100%;
      height: 100%;
    }
    text {
      font-size: 11.5px;
      font-weight: 640;
      fill: var(--p-jl-ink);
    }
    .thick {
      fill: none;
      stroke: var(--p-jl-ink);
      stroke-width: 5;
      stroke-linecap: round;
    }
    .axis {
      stroke: var(--p-jl-faint);
      stroke-width: 1.5;
    }
    .skin {
      fill: var(--p-jl-panel);
      stroke: var(--p-jl-ink);
      stroke-width: 4;
    }
    .body,
    .limb {
      fill: none;
      stroke: var(--p-jl-lake);
      stroke-width: 11;
      stroke-linecap: round;
      stroke-linejoin: round;
    }
    .mark {
      fill: none;
      stroke: var(--p-jl-kerb);
      stroke-width: 3;
    }
    .road {
      fill: none;
      stroke: color-mix(in srgb, var(--p-jl-done) 36%, var(--p-jl-panel));
      stroke-width: 40;
    }
    .road-flat {
      fill: color-mix(in srgb, var(--p-jl-done) 30%, var(--p-jl-panel));
    }
    .line {
      fill: none;
      stroke: var(--p-jl-lake);
      stroke-width: 3;
    }
    .gaze {
      fill: none;
      stroke: var(--p-jl-kerb);
      stroke-width: 3;
      stroke-dasharray: 6 5;
      animation: gaze 6s infinite;
      opacity: 0.15;
    }
    .gaze.two {
      animation-delay: 2s;
    }
    .gaze.three {
      animation-delay: 4s;
    }
    @keyframes gaze {
      0%,
      30% {
        opacity: 1;
      }
      36%,
      100% {
        opacity: 0.15;
      }
    }
    .force {
      stroke: var(--p-jl-kerb);
      stroke-width: 5;
    }
    .dot {
      fill: var(--p-jl-kerb);
    }
    .budget {
      transform-origin: 150px 100px;
      animation: share 8s ease-in-out infinite;
    }
    @keyframes share {
      0%,
      12% {
        transform: rotate(0deg);
      }
      45%,
      55% {
        transform: rotate(-90deg);
      }
      88%,
      100% {
        transform: rotate(-180deg);
      }
    }
    .shell {
      fill: var(--p-jl-lake-soft);
      stroke: var(--p-jl-ink);
      stroke-width: 3;
    }
    .glass {
      fill: var(--p-jl-panel);
      stroke: var(--p-jl-ink);
      stroke-width: 1.5;
    }
    .wheel {
      fill: var(--p-jl-ink);
    }
    .pitch {
      transform-origin: 155px 130px;
      animation: pitch 6s ease-in-out infinite;
    }
    @keyframes pitch {
      0%,
      100% {
        transform: rotate(-3deg);
      }
      50% {
        transform: rotate(3deg);
      }
    }
    .press {
      fill: var(--p-jl-kerb);
    }
    .front,
    .front-word {
      animation: front 6s ease-in-out infinite;
    }
    .back,
    .back-word {
      animation: front 6s ease-in-out -3s infinite;
    }
    @keyframes front {
      0%,
      100% {
        opacity: 0.15;
      }
      50% {
        opacity: 1;
      }
    }
    .sign {
      font-size: 22px;
    }
    .paddle {
      animation: pull 6s ease-in-out infinite;
      transform-origin: 150px 100px;
    }
    .paddle.up {
      animation-delay: -3s;
    }
    .paddle .shell {
      fill: var(--p-jl-lake-soft);
    }
    @keyframes pull {
      0%,
      42%,
      58%,
      100% {
        transform: none;
      }
      50% {
        transform: scale(0.9);
      }
    }
    .slid {
      fill: none;
      stroke: var(--p-jl-kerb);
      stroke-width: 3;
      stroke-dasharray: 6 4;
    }
    .axle {
      fill: var(--p-jl-ink);
    }
    .car {
      offset-rotate: auto;
      animation: slide 6s ease-in-out infinite;
    }
    @keyframes slide {
      0% {
        offset-distance: 0%;
      }
      80%,
      100% {
        offset-distance: 100%;
      }
    }
    /* The tail comes round behind the turn-in, and is caught. */
    .tail .turned {
      animation: comeRound 6s ease-in-out infinite;
    }
    @keyframes comeRound {
      0%,
      30% {
        transform: none;
      }
      55%,
      62% {
        transform: rotate(38deg);
      }
      80%,
      100% {
        transform: rotate(4deg);
      }
    }
    .slower rect,
    .quicker rect {
      fill: var(--p-jl-ink);
    }
    .quicker rect {
      fill: var(--p-jl-lake);
    }
    .quicker {
      animation: pass 5s ease-in-out infinite;
    }
    .slower {
      animation: lift 5s ease-in-out infinite;
    }
    @keyframes pass {
      to {
        transform: translateX(215px);
      }
    }
    @keyframes lift {
      to {
        transform: translateX(34px);
      }
    }
    .blink {
      fill: var(--p-jl-amber-mark);
      animation: blink 0.8s steps(2) infinite;
    }
    @keyframes blink {
      to {
        opacity: 0;
      }
    }
    .flag-caution {
      fill: var(--p-jl-amber-mark);
    }
    .flag-stop {
      fill: var(--p-jl-kerb);
    }
    .bead {
      fill: var(--p-jl-panel);
      stroke: var(--p-jl-ink);
      stroke-width: 3;
    }
    .bead.full {
      fill: var(--p-jl-ink);
    }
    .bead.half {
      fill: var(--p-jl-faint);
    }
  `,
})
export class ShowDrawing {
  /** The line that is meant through the bend; under- and oversteer leave it, each in its way. */
  protected readonly meant = 'M34 205 V128 Q36 56 108 54 H132';
  readonly kind = input.required<SlideKind>();
  readonly words = input.required<ShowWords>();
  protected readonly say = computed(() => this.words().drawing);
  protected readonly bends = computed(() => {
    const [wide, tail] = ['M34 205 V118 Q32 62 58 34', 'M34 205 V128 Q34 72 92 44 Q112 36 132 42'];
    return [
      {
        kind: 'nose',
        x: 4,
        word: this.say().noseWide,
        path: wide,
        motion: `path('${wide}')`,
        steers: 'rotate(32 8 -7.3)',
        steersRight: 'rotate(32 8 7.3)',
      },
      {
        kind: 'tail',
        x: 156,
        word: this.say().tailOut,
        path: tail,
        motion: `path('${tail}')`,
        steers: 'rotate(-24 8 -7.3)',
        steersRight: 'rotate(-24 8 7.3)',
      },
    ];
  });
  protected readonly label = computed(() => this.words().slide[this.kind()].words.join('. '));
}
