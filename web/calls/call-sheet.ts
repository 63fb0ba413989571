import { ChangeDetectionStrategy, Component, computed, effect, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import type { CallKind, CornerCalls } from '@core/car';
import { Button } from 'primeng/button';
import { Select } from 'primeng/select';
import { SelectButton } from 'primeng/selectbutton';
import { CircuitService } from '../data/circuit.service';
import { lapFaultWords, PLAIN_WORDS } from '../data/screen-words';
import { ownHeading } from '../shell/own-heading';

const MARKS: Record<CallKind, string> = {
  brake: '▼',
  gearDown: '↓',
  release: '△',
  turn: '↷',
  apex: '◆',
  balance: '≈',
  throttle: '▲',
  exit: '↗',
  gearUp: '↑',
};

/** The calls of a lap for one car and one pace: what to say, and where to begin to say it. To print, and for a phone. */
@Component({
  selector: 'jl-call-sheet',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, FormsModule, Select, SelectButton],
  templateUrl: './call-sheet.html',
  styleUrl: './call-sheet.scss',
})
export class CallSheet {
  protected readonly circuit = inject(CircuitService);
  protected readonly heading = ownHeading('Calls');
  protected readonly marks = MARKS;
  protected readonly words = PLAIN_WORDS;
  protected readonly car = signal<string | undefined>(undefined);
  protected readonly pace = signal<number | undefined>(undefined);
  protected readonly gearbox = signal<'auto' | 'paddle'>('paddle');
  /** Calls that this guest needs sooner. */
  protected readonly sooner = signal<ReadonlySet<string>>(new Set());
  protected readonly corners = signal<readonly CornerCalls[]>([]);
  protected readonly lapTimeS = signal<number | undefined>(undefined);
  protected readonly fault = signal<string | undefined>(undefined);
  protected readonly gearboxes = [
    { label: 'Automatic', value: 'auto' },
    { label: 'Paddles', value: 'paddle' },
  ];
  protected readonly choices = computed(() =>
    this.circuit.fleet().map(({ id, number, name }) => ({ id, label: `${number} ${name}` })),
  );
  protected readonly chosen = computed(() => this.car() ?? this.choices()[0]?.id);
  protected readonly paces = computed(() =>
    [...this.circuit.paces()]
      .sort((a, b) => b - a)
      .map((value) => ({ value, label: value === 1 ? 'quick guest' : `pace ${value}` })),
  );
  protected readonly chosenPace = computed(() => this.pace() ?? this.paces()[0]?.value ?? 1);
  protected readonly custom = computed(() => {
    const { braking, throttle, speechS, reactionS } = this.circuit.coaching();
    return (
      `${braking === 'straight' ? 'Braking is finished in a straight line' : 'Braking is trailed off into the turn'}; ` +
      `${throttle === 'none' ? 'no throttle until the wheel unwinds' : 'a light throttle in mid-corner'}; ` +
      `said ${(speechS + reactionS).toFixed(1)} s ahead (${speechS} s to say it, ${reactionS} s to act).`
    );
  });

  constructor() {
    this.circuit.refresh();
    effect((onCleanup) => {
      const model = this.circuit.fleet().find(({ id }) => id === this.chosen())?.model;
      const [pace, gearbox, sooner, coaching] = [
        this.chosenPace(),
        this.gearbox(),
        this.sooner(),
        this.circuit.coaching(),
      ];
      this.circuit.grip();
      this.circuit.draft();
      if (!model) return;
      let current = true;
      onCleanup(() => (current = false));
      const { speechS, reactionS, throttle, braking } = coaching;
      void this.circuit
        .calls(model, pace, { speechS, reactionS, gearbox, throttle, braking, sooner })
        .then((answer) => {
          if (!current || !answer) return;
          this.corners.set(answer.corners);
          this.lapTimeS.set(answer.lapTimeS);
          this.fault.set(answer.fault && lapFaultWords(answer.fault));
        });
    });
  }

  protected remarksOf({ remarks }: CornerCalls): string {
    return remarks.map(this.words.cornerRemark).join(' · ');
  }

  protected toggle(id: string): void {
    this.sooner.update((known) => {
      const next = new Set(known);
      if (!next.delete(id)) next.add(id);
      return next;
    });
  }

  protected print(): void {
    window.print();
  }
}
