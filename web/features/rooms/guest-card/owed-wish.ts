import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { clockMinute, timeOfDay } from '@core/values';
import { Button } from 'primeng/button';
import { DayService } from '../../../shared/data/day.service';
import { Ask } from '../../../shared/frame/ask';

/** What the guest says of laps that are owed: not before a time, not today, or any time; and the place that was taken. */
@Component({
  selector: 'jl-owed-wish',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button],
  template: `
    @if (said(); as words) {
      <span>{{ words }}</span>
      <p-button label="Any time" size="small" [text]="true" (onClick)="agree({})" />
    } @else {
      <p-button label="Not before…" size="small" [text]="true" (onClick)="notBefore()" />
      <p-button label="Not today" size="small" [text]="true" (onClick)="agree({ notToday: true })" />
    }
  `,
  styles: `
    :host {
      display: inline-flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 0.3rem;
    }
  `,
})
export class OwedWishes {
  private readonly data = inject(DayService);
  private readonly ask = inject(Ask);
  /** Id of the drive that was broken off. */
  readonly drive = input.required<string>();
  protected readonly said = computed(() => {
    const wish = this.data.state()?.drives.get(this.drive())?.owedWish;
    if (wish?.notToday) return 'not today, says the guest';
    if (wish?.place) return `a place at ${clockMinute(wish.place.release)} is taken for them`;
    return wish?.notBefore === undefined ? undefined : `not before ${clockMinute(wish.notBefore)}`;
  });

  protected agree(wish: { notBefore?: number; notToday?: boolean }): void {
    this.data.record({ kind: 'owedAgreed', drive: this.drive(), ...wish });
  }

  protected async notBefore(): Promise<void> {
    const text = await this.ask.for('Laps owed: not before', 'Time of day, 15:00 say');
    if (text === undefined) return;
    const read = timeOfDay.safeParse(text);
    if (read.success) this.agree({ notBefore: read.data });
    else this.data.refuse(`"${text}" is no time of day; write 15:00, say.`);
  }
}
