import { computed, inject, Injectable, signal } from '@angular/core';
import type { DriveState } from '@core/journal';
import { DayService } from './day.service';
import { Who } from './who';

const KEY = 'joylap.counter';
const LEFT_KEY = 'joylap.carsLeft';
/** So many are remembered; a day has fewer drives of one person. */
const MOST_LEFT = 40;

/** Whose phone this is: the instructor who counts, marks and reads on it. Remembered on the device. */
@Injectable({ providedIn: 'root' })
export class InstructorChoice {
  private readonly data = inject(DayService);
  private readonly who = inject(Who);
  private readonly chosen = signal(localStorage.getItem(KEY) ?? '');

  readonly crew = computed(() => this.data.day()?.instructors ?? []);
  readonly me = computed(() => {
    const crew = this.crew();
    return crew.find(({ id }) => id === this.chosen()) ?? crew.find(({ name }) => name === this.who.name());
  });
  /** All of this instructor's drives that have begun or are planned, in order of their time. */
  readonly drives = computed<readonly DriveState[]>(() => {
    const [me, state, context] = [this.me(), this.data.state(), this.data.context()];
    if (!me || !state || !context) return [];
    const startS = new Map(context.schedule.drives.map(({ planned, startS: at }) => [planned.drive, at]));
    return [...state.drives.values()]
      .filter(({ drive, guest, instructor, stage }) => {
        if (instructor !== me.id) return false;
        return stage !== 'planned' || (startS.has(drive.id) && state.guests.get(guest.id)?.gone === undefined);
      })
      .sort((a, b) => (a.seatedS ?? startS.get(a.drive.id) ?? 0) - (b.seatedS ?? startS.get(b.drive.id) ?? 0));
  });

  /** Ids of drives whose car has been left: whoever comes back to the counter goes on with the next guest. */
  readonly left = signal<readonly string[]>(JSON.parse(localStorage.getItem(LEFT_KEY) ?? '[]') as string[]);

  leaveCar(drive: string): void {
    this.left.update((left) => [...left, drive].slice(-MOST_LEFT));
    localStorage.setItem(LEFT_KEY, JSON.stringify(this.left()));
  }

  /** Seats the guest of a drive beside this instructor, in the car that the plan has for it; why that cannot be is said. */
  seat({ drive, car }: DriveState): boolean {
    const me = this.me();
    if (!me) return false;
    if (car === undefined) {
      this.data.refuse('This drive is not in the plan.');
      return false;
    }
    return this.data.record({ kind: 'seated', drive: drive.id, car, instructor: me.id }, me.name);
  }

  choose(id: string): void {
    localStorage.setItem(KEY, id);
    this.chosen.set(id);
  }

  leave(): void {
    localStorage.removeItem(KEY);
    this.chosen.set('');
  }
}
