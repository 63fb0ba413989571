import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { surface, type Surface, type Zone } from '@core/programmes';
import { wallClock, type Json } from '@core/values';
import { Button } from 'primeng/button';
import type { Observable } from 'rxjs';
import * as z from 'zod';
import { Api } from '../../../shared/data/api';
import { changeVenue } from '../../../shared/data/change-venue';
import { DayService } from '../../../shared/data/day.service';
import { formOf } from '../../../shared/forms/fields';
import { editing, RecordEditor, type Edited } from '../../../shared/forms/record-editor';
import { ZoneEditor } from './zone-editor';

const FIELDS = formOf<z.input<typeof surface>>({
  // Made from the name.
  id: 'notHere',
  name: { label: 'Name', kind: 'text' },
  kind: {
    label: 'What it is',
    kind: 'choice',
    options: [
      { label: 'an oval', value: 'oval' },
      { label: 'a pan', value: 'pan' },
    ],
  },
  limit: { label: 'Cars on it at once', kind: 'number' },
  lapLengthM: { label: 'One lap', unit: 'm', kind: 'number', optional: true },
  available: { label: 'Open', kind: 'windows', wide: true },
  // Drawn, not typed.
  zones: 'notHere',
  closures: { label: 'Closed', kind: 'windows', wide: true, hint: 'with the reason: 12:30–13:00 washing' },
});

/** Places to drive beside the circuit, of the venue and so of every day. */
@Component({
  selector: 'jl-surfaces',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, RecordEditor, ZoneEditor],
  template: `
    <span class="muted">Places to drive beside the circuit:</span>
    @for (one of surfaces(); track one.id) {
      <p-button [label]="one.name" size="small" [text]="true" (onClick)="open(one)" />
    } @empty {
      <span class="muted">none yet</span>
    }
    <p-button label="Add a place" size="small" [text]="true" (onClick)="add()" />
    <jl-record-editor [(edited)]="edited" [fields]="fields" (done)="saved()" />
    @if (drawn(); as one) {
      <jl-zone-editor [surface]="one" [(open)]="drawing" (saved)="keep(one, $event)" />
    }
  `,
  styles: `
    :host {
      display: flex;
      flex-wrap: wrap;
      gap: 0.2rem 0.5rem;
      align-items: center;
    }
  `,
})
export class Surfaces {
  private readonly api = inject(Api);
  private readonly data = inject(DayService);
  protected readonly fields = FIELDS;
  protected readonly edited = signal<Edited | undefined>(undefined);
  /** The surface whose zones are drawn. */
  protected readonly drawn = signal<Surface | undefined>(undefined);
  protected readonly drawing = signal(false);
  protected readonly surfaces = computed(() => this.data.view()?.day.surfaces ?? []);

  protected add(): void {
    const { opens = 9 * 3600, closes = 18 * 3600 } = this.data.day() ?? {};
    const taken = new Set(this.surfaces().map(({ id }) => id));
    let number = 1;
    while (taken.has(`surface${number}`)) number += 1;
    // It still lacks its name.
    const fresh = {
      ...{ id: `surface${number}`, name: '', kind: 'oval', limit: 1 },
      available: [{ from: wallClock(opens), to: wallClock(closes) }],
      closures: [],
    };
    this.edit('A place to drive', fresh, false);
  }

  protected open(one: Surface): void {
    this.edit(one.name, z.encode(surface, one), true);
  }

  /** Keeps the zones that were drawn. */
  protected keep(one: Surface, zones: readonly Zone[]): void {
    const withZones = (other: Surface) => (other.id === one.id ? { ...other, zones: [...zones] } : other);
    this.changed((surfaces) => surfaces.map(withZones)).subscribe({
      next: () => {
        this.drawing.set(false);
        this.saved();
      },
      error: (error: Error) => this.data.refuse(error.message),
    });
  }

  private draw(id: string): void {
    this.drawn.set(this.surfaces().find((one) => one.id === id));
    this.drawing.set(true);
  }

  private edit(title: string, one: z.input<typeof surface> | (Json & { readonly id: string }), known: boolean): void {
    const others = (surfaces: readonly Surface[]) => surfaces.filter(({ id }) => id !== one.id);
    this.edited.set(
      editing(surface, {
        title,
        fields: one,
        version: undefined,
        save: (fields) =>
          this.changed((surfaces) =>
            known ? surfaces.map((other) => (other.id === one.id ? fields : other)) : [...surfaces, fields],
          ),
        ...(known && {
          ways: [{ label: 'Draw its zones', go: () => this.draw(one.id) }],
          remove: { label: 'Take it away', run: () => this.changed((surfaces) => others(surfaces)) },
        }),
      }),
    );
  }

  private changed(change: (surfaces: readonly Surface[]) => Surface[]): Observable<unknown> {
    return changeVenue(this.api, (fields) => ({ ...fields, surfaces: change(fields.surfaces) }));
  }

  protected saved(): void {
    this.data.reload();
    this.data.say('The place is kept for every day of the venue.');
  }
}
