import { ChangeDetectionStrategy, Component, effect, inject, input, model, output, signal } from '@angular/core';
import { Button } from 'primeng/button';
import { Dialog } from 'primeng/dialog';
import type { Observable } from 'rxjs';
import type * as z from 'zod';
import { DayService } from '../data/day.service';
import { fieldId, type Field, type Json } from './fields';
import { focusOnceThere } from './focus';
import { conflictOf, RecordForm, type Conflict } from './record-form';

/** Something that is edited: its fields in encoded form, and the version they were read at (nothing: it is new). */
export interface Edited {
  readonly title: string;
  readonly fields: Json;
  readonly version: number | undefined;
  /** Saves the decoded fields; errs with an `ApiError`. */
  readonly save: (fields: never, version: number | undefined) => Observable<unknown>;
  /** Takes the whole thing away, where that is possible at all, and what the button says. */
  readonly remove?: { readonly label: string; readonly run: () => Observable<unknown> };
}

/** A dialog with a record form that saves, and settles conflicts with people who edit the same thing. */
@Component({
  selector: 'jl-record-editor',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, Dialog, RecordForm],
  templateUrl: './record-editor.html',
})
export class RecordEditor {
  private readonly data = inject(DayService);
  readonly edited = model<Edited>();
  readonly fields = input.required<readonly Field[]>();
  readonly schema = input.required<z.ZodType>();
  readonly done = output<'saved' | 'removed'>();
  protected readonly conflict = signal<Conflict | undefined>(undefined);
  protected readonly saving = signal(false);
  /** The button has been pressed once; pressing it again does it. */
  protected readonly removing = signal(false);
  /** Version of what the other person saved; saving over it needs that one. */
  protected readonly latest = signal<number | undefined>(undefined);

  constructor() {
    // Work begins in the first field that is empty, and never on a button that takes something away.
    effect(() => {
      const edited = this.edited();
      if (!edited) return;
      const fields = this.fields();
      const first = fields.find(({ path }) => edited.fields[path] === '') ?? fields[0];
      if (first) focusOnceThere(fieldId(first));
    });
  }

  protected save(fields: unknown, version: number | undefined): void {
    this.take(this.edited()!.save(fields as never, version), 'saved');
  }

  protected takeAway(run: () => Observable<unknown>): void {
    if (this.removing()) this.take(run(), 'removed');
    else this.removing.set(true);
  }

  /** Waits for a change to be stored; a conflict stays on screen until the person has settled it. */
  private take(change: Observable<unknown>, what: 'saved' | 'removed'): void {
    this.saving.set(true);
    change.subscribe({
      next: () => {
        this.saving.set(false);
        this.close();
        this.done.emit(what);
      },
      error: (error: unknown) => {
        this.saving.set(false);
        const conflict = conflictOf(error);
        if (!conflict) return this.data.refuse((error as Error).message);
        this.conflict.set(conflict);
        this.latest.set(conflict.version);
      },
    });
  }

  protected close(): void {
    this.edited.set(undefined);
    this.removing.set(false);
    this.conflict.set(undefined);
  }
}
