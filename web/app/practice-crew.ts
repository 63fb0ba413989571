import { ChangeDetectionStrategy, Component, computed, inject, model } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { CREW_STATION_WORDS } from '@words';
import { CREW_STATIONS, type CrewStation } from '@core/live/practice';
import { Button } from 'primeng/button';
import { Checkbox } from 'primeng/checkbox';
import { Dialog } from 'primeng/dialog';
import { NumberField } from '../shared/forms/number-field';
import { PracticeService } from '../shared/data/practice.service';

/** Who plays the day: each station of the simulated crew can be switched off, and its chance be another. */
@Component({
  selector: 'jl-practice-crew',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, Checkbox, Dialog, FormsModule, NumberField],
  templateUrl: './practice-crew.html',
  styles: `
    ul {
      list-style: none;
      margin: 0.8rem 0;
      padding: 0;
    }
    li {
      display: grid;
      grid-template-columns: auto 1fr;
      gap: 0 0.9rem;
      align-items: center;
      min-height: 44px;
      padding: 0.3rem 0;
      border-bottom: 1px solid var(--p-jl-line);
    }
    label span {
      display: block;
      font-size: 13px;
    }
    form {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 0.6rem;
    }
    p {
      margin: 0;
    }
  `,
})
export class PracticeCrew {
  protected readonly practice = inject(PracticeService);
  readonly open = model(false);
  protected seed: number | null = null;
  protected readonly stations = computed(() => {
    const off = this.practice.status()?.off ?? [];
    const taken = this.practice.taken();
    return CREW_STATIONS.map((station) => {
      const by = taken
        .filter(({ post }) => post.station === station)
        .map(({ here, by: name }) => (here ? 'you' : name));
      const { name, does } = CREW_STATION_WORDS[station];
      const on = !off.includes(station);
      const now = by.length > 0 ? `taken over by ${by.join(', ')}` : on ? does : 'nobody, unless people do it';
      return { station, name, on, now };
    });
  });

  protected switchStation(station: CrewStation, on: boolean): void {
    this.practice.switchStation(station, on);
  }

  protected reseed(event: Event): void {
    event.preventDefault();
    this.practice.seedWith(this.seed ?? (this.practice.status()?.seed ?? 0) + 1);
    this.seed = null;
  }
}
