import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { SlideKind } from '@core/classroom';
import type { ShowWords } from '@core/words/guests';

/** Drawings that move, for what is the same at every venue: seat, eyes, grip budget, weight shift, passing, flags. */
@Component({
  selector: 'jl-show-drawing',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @switch (kind()) {
      @case ('seat') {
        <svg viewBox="0 0 300 200" role="img" [attr.aria-label]="label()">
          <path class="thick" d="M70 165 L60 80 Q58 62 76 62 L84 62 L98 150 L150 156" />
          <circle class="skin" cx="92" cy="42" r="17" />
          <path class="body" d="M88 62 Q112 70 112 120 L106 146" />
          <path class="limb" d="M108 84 L140 108 L172 92" />
          <path class="limb" d="M108 146 L168 128 L196 164" />
          <ellipse class="thick" cx="178" cy="92" rx="7" ry="27" transform="rotate(-18 178 92)" />
          <path class="mark" d="M168 128 m-12 6 a14 14 0 0 0 14 10" />
          <text x="150" y="60">{{ say().wrist }}</text>
          <text x="150" y="190">{{ say().knee }}</text>
        </svg>
      }
      @case ('eyes') {
        <svg viewBox="0 0 300 200" role="img" [attr.aria-label]="label()">
          <path class="road" d="M30 190 L30 90 Q30 30 100 30 L285 30" />
          <path class="line" d="M42 190 L42 100 Q40 44 104 40 L285 24" />
          <path class="gaze one" d="M42 170 L40 100" />
          <path class="gaze two" d="M41 108 L72 52" />
          <path class="gaze three" d="M66 58 L200 32" />
          <text x="56" y="150">{{ say().eyesBraking }}</text>
          <text x="88" y="84">{{ say().eyesTurning }}</text>
          <text x="150" y="60">{{ say().eyesAtApex }}</text>
        </svg>
      }
      @case ('grip') {
        <svg viewBox="0 0 300 200" role="img" [attr.aria-label]="label()">
          <circle class="thick" cx="150" cy="100" r="80" />
          <line class="axis" x1="150" y1="14" x2="150" y2="186" />
          <line class="axis" x1="64" y1="100" x2="236" y2="100" />
          <text x="158" y="14">{{ say().throttle }}</text>
          <text x="158" y="198">{{ say().brake }}</text>
          <text x="240" y="104">{{ say().turn }}</text>
          <g class="budget">
            <line x1="150" y1="100" x2="150" y2="176" class="force" />
            <circle cx="150" cy="176" r="8" class="dot" />
          </g>
        </svg>
      }
      @case ('weight') {
        <svg viewBox="0 0 300 200" role="img" [attr.aria-label]="label()">
          <line class="axis" x1="20" y1="160" x2="280" y2="160" />
          <g class="pitch">
            <path class="shell" d="M60 128 L64 104 Q104 92 120 70 L190 70 Q216 92 244 100 L248 128 Z" />
            <path class="glass" d="M126 76 L146 76 L146 98 L112 98 Z M152 76 L186 76 L204 98 L152 98 Z" />
          </g>
          <circle class="wheel" cx="98" cy="140" r="20" />
          <circle class="wheel" cx="212" cy="140" r="20" />
          <path class="press front" d="M212 166 l-7 14 h14 Z" />
          <path class="press back" d="M98 166 l-7 14 h14 Z" />
          <text x="180" y="198" class="front-word">{{ say().frontGrips }}</text>
          <text x="66" y="198" class="back-word">{{ say().rearGrips }}</text>
        </svg>
      }
      @case ('passing') {
        <svg viewBox="0 0 300 200" role="img" [attr.aria-label]="label()">
          <rect class="road-flat" x="10" y="60" width="280" height="80" />
          <line class="axis" x1="10" y1="100" x2="290" y2="100" stroke-dasharray="10 8" />
          <g class="slower">
            <rect x="120" y="108" width="46" height="22" rx="6" />
            <circle class="blink" cx="122" cy="111" r="4" />
            <circle class="blink" cx="122" cy="127" r="4" />
          </g>
          <g class="quicker"><rect x="20" y="70" width="46" height="22" rx="6" /></g>
          <text x="110" y="160">{{ say().lifts }}</text>
        </svg>
      }
      @case ('flags') {
        <svg viewBox="0 0 300 200" role="img" [attr.aria-label]="label()">
          <g>
            <line class="thick" x1="60" y1="40" x2="60" y2="170" />
            <path class="flag-caution" d="M60 44 q30 -12 60 0 v46 q-30 -12 -60 0 Z" />
            <text x="60" y="190">{{ say().caution }}</text>
          </g>
          <g transform="translate(130 0)">
            <line class="thick" x1="60" y1="40" x2="60" y2="170" />
            <path class="flag-stop" d="M60 44 q30 -12 60 0 v46 q-30 -12 -60 0 Z" />
            <text x="60" y="26">{{ say().allStop }}</text>
          </g>
        </svg>
      }
      @case ('discomfort') {
        <svg viewBox="0 0 300 200" role="img" [attr.aria-label]="label()">
          <circle class="bead full" cx="50" cy="100" r="17" />
          <circle class="bead full" cx="100" cy="100" r="17" />
          <circle class="bead half" cx="150" cy="100" r="17" />
          <circle class="bead" cx="200" cy="100" r="17" />
          <circle class="bead" cx="250" cy="100" r="17" />
          <path class="mark" d="M150 70 Q150 40 200 40 Q250 40 250 70" />
          <text x="150" y="150">{{ say().lapsKept }}</text>
        </svg>
      }
    }
  `,
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
  readonly kind = input.required<SlideKind>();
  readonly words = input.required<ShowWords>();
  protected readonly say = computed(() => this.words().drawing);
  protected readonly label = computed(() => this.words().slide[this.kind()].words.join('. '));
}
