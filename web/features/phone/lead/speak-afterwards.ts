import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { lapsLed, spacingSaid, type SpacingSaid } from '@core/journal';
import { SPACING_SAID_WORDS } from '@words';
import { DayService } from '../../../shared/data/day.service';
import { VocabularyService } from '../../../shared/data/vocabulary.service';
import type { LedGroup } from './led-group';
/** So many faults are offered at once. */
const FIRST = 12;

/** Afterwards: what the leader says to each guest, kept as marks, as after a coached drive. */
@Component({
  selector: 'jl-speak-afterwards',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FormsModule],
  template: `
    <p class="big">A word with each of them</p>
    <div class="rows">
      @for (one of people(); track one.id) {
        <div class="person">
          <span>
            <b>{{ one.name }}</b>
            <br />
            <span class="muted">{{ one.words }}</span>
          </span>
          @if (about() !== one.id) {
            <button type="button" [attr.aria-label]="'Speak with ' + one.name" (click)="open(one.id)">
              {{ one.marked ? 'More' : 'Marks' }}
            </button>
          } @else {
            <span class="few">
              <input type="text" aria-label="What was good" placeholder="what was good" [(ngModel)]="good" />
              @for (fault of faults(); track fault.id) {
                <button type="button" [attr.aria-pressed]="chosen().has(fault.id)" (click)="toggle(fault.id)">
                  {{ fault.name }}
                </button>
              }
              @if (!all()) {
                <button type="button" (click)="all.set(true)">All faults</button>
              }
              <button type="button" (click)="save(one.id)">Keep</button>
            </span>
          }
        </div>
      }
    </div>
  `,
  styleUrls: ['./led-part.scss', './speak-afterwards.scss'],
})
export class SpeakAfterwards {
  private readonly data = inject(DayService);
  private readonly vocabulary = inject(VocabularyService);
  readonly led = input.required<LedGroup>();
  protected readonly about = signal<string | undefined>(undefined);
  protected readonly chosen = signal<ReadonlySet<string>>(new Set());
  protected good = '';
  /** Every fault of the list is shown, and not the first ones alone. */
  protected readonly all = signal(false);
  protected readonly faults = computed(() =>
    [...this.vocabulary.faults()].slice(0, this.all() ? undefined : FIRST).map(([id, { name }]) => ({ id, name })),
  );
  protected readonly people = computed(() => {
    const { state, facts } = this.led();
    const words = this.vocabulary.faults();
    return facts.members
      .filter(({ id }) => state.members.get(id))
      .map((member) => {
        const { marked, runs, lapsAtStep, spacing } = state.members.get(member.id)!;
        const said = marked.flatMap(({ good, marks }) => [
          ...(good ? [`good: ${good}`] : []),
          ...marks.map(({ fault }) => words.get(fault)?.name ?? fault),
        ]);
        const did =
          facts.kind === 'follow'
            ? `${lapsLed(state, member.id)} laps behind the leader`
            : facts.kind === 'throttle'
              ? `${[...lapsAtStep.values()].reduce((sum, laps) => sum + laps, 0)} laps`
              : `${new Set(runs.filter(({ passed }) => passed).map(({ station }) => station)).size} stations passed`;
        return { ...member, marked: marked.length > 0, words: [did, ...spacingTold(spacing), ...said].join('; ') };
      });
  });

  protected open(guest: string): void {
    this.about.set(guest);
    this.chosen.set(new Set());
    this.good = '';
  }

  protected toggle(fault: string): void {
    this.chosen.update((chosen) => {
      const next = new Set(chosen);
      if (!next.delete(fault)) next.add(fault);
      return next;
    });
  }

  protected save(guest: string): void {
    const marks = [...this.chosen()].map((fault) => ({ fault }));
    const good = this.good.trim();
    const group = this.led().facts.id;
    if (this.data.record({ kind: 'memberMarked', group, guest, marks, ...(good && { good }) }))
      this.about.set(undefined);
  }
}

/** How often the leader had to say something about the distance. */
function spacingTold(said: readonly SpacingSaid[]): string[] {
  return spacingSaid.options.flatMap((one) => {
    const times = said.filter((other) => other === one).length;
    return times === 0 ? [] : [`told “${SPACING_SAID_WORDS[one]}” ${times === 1 ? 'once' : `${times} times`}`];
  });
}
