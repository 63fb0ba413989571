import { ChangeDetectionStrategy, Component, inject, input, output, signal } from '@angular/core';
import type { TalkGroup } from '@core/people/coaching';
import { TALK_GROUP_WORDS } from '@words';
import { DayWords } from '../../../shared/data/day-words';

/** The talk in the car, line by line, each ticked by a tap; what was said before is folded. */
@Component({
  selector: 'jl-talk',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @for (group of groups(); track group.name) {
      <section [attr.aria-label]="titles[group.name]">
        <header>
          <button type="button" class="title" [attr.aria-expanded]="isOpen(group)" (click)="turn(group)">
            {{ titles[group.name] }}
            <span class="muted">{{ isOpen(group) ? '' : group.lines.length + ', said' }}</span>
          </button>
          @if (isOpen(group) && !allDone(group)) {
            <button
              type="button"
              class="all"
              [attr.aria-label]="'All said: ' + titles[group.name]"
              (click)="tickAll(group)"
            >
              All said
            </button>
          }
        </header>
        @if (isOpen(group)) {
          @for (line of group.lines; track line.id) {
            <button
              type="button"
              class="line"
              [class.done]="line.done"
              [attr.aria-pressed]="line.done"
              [disabled]="line.done"
              (click)="ticked.emit([line.id])"
            >
              <i class="pi" [class.pi-check]="line.done" aria-hidden="true"></i>
              {{ tell().talk(line.what) }}
            </button>
          }
        }
      </section>
    }
  `,
  styles: `
    header {
      display: flex;
      align-items: center;
      justify-content: space-between;
    }
    button {
      border: 0;
      background: none;
      color: inherit;
      font: inherit;
      text-align: left;
      cursor: pointer;
    }
    .title {
      flex: 1;
      min-height: 44px;
      padding: 0;
      font-size: 17px;
      font-weight: 720;
    }
    .title span {
      font-size: 13px;
      font-weight: 500;
    }
    .all {
      min-height: 44px;
      padding: 0 0.8rem;
      color: var(--p-jl-lake);
      font-weight: 650;
    }
    .line {
      display: grid;
      grid-template-columns: 1.5rem minmax(0, 1fr);
      align-items: center;
      width: 100%;
      min-height: 44px;
      padding: 0.25rem 0;
      border-top: 1px solid var(--p-jl-line);
    }
    .line i {
      font-size: 14px;
      color: var(--p-jl-moss);
    }
    .line.done {
      color: var(--p-jl-muted);
    }
  `,
})
export class Talk {
  protected readonly tell = inject(DayWords).tell;
  protected readonly titles = TALK_GROUP_WORDS;
  readonly groups = input.required<readonly TalkGroup[]>();
  /** Ids of lines that have been said. */
  readonly ticked = output<string[]>();
  /** Groups that somebody has opened or folded, against what they are by themselves. */
  private readonly turned = signal<ReadonlySet<TalkGroup['name']>>(new Set());

  protected isOpen({ name, folded }: TalkGroup): boolean {
    return folded === this.turned().has(name);
  }

  protected turn({ name }: TalkGroup): void {
    this.turned.update((known) => {
      const next = new Set(known);
      if (!next.delete(name)) next.add(name);
      return next;
    });
  }

  protected allDone({ lines }: TalkGroup): boolean {
    return lines.every(({ done }) => done);
  }

  protected tickAll({ lines }: TalkGroup): void {
    this.ticked.emit(lines.filter(({ done }) => !done).map(({ id }) => id));
  }
}
