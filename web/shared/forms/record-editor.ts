import { ChangeDetectionStrategy, Component, effect, inject, input, model, output, signal } from '@angular/core';
import { Button } from 'primeng/button';
import { Dialog } from 'primeng/dialog';
import type { Observable } from 'rxjs';
import type * as z from 'zod';
import type { Json } from '@core/values';
import { DayService } from '../data/day.service';
import { fieldId, type Field } from './fields';
import { focusOnceThere } from './focus';
import { conflictOf, RecordForm, type Conflict } from './record-form';

interface About {
  readonly title: string;
  readonly version: number | undefined;
  /** What fields hold until somebody types in them, by the rest. */
  readonly follows?: ReadonlyMap<string, (typed: Json) => unknown> | undefined;
  /** What else can be done with it: each closes the form and goes on elsewhere. */
  readonly ways?: readonly { readonly label: string; readonly go: () => void }[] | undefined;
  /** Takes the whole thing away, where that is possible at all, and what the button says. */
  readonly remove?: { readonly label: string; readonly run: () => Observable<unknown> } | undefined;
}

/** Something that is edited: its fields in encoded form, and the version they were read at (nothing: it is new). */
export interface Edited extends About {
  readonly schema: z.ZodType;
  readonly fields: Json;
  /** Saves the fields as the schema has decoded them; errs with an `ApiError`. */
  readonly save: (fields: unknown, version: number | undefined) => Observable<unknown>;
}

/** Opens a record for editing: what is saved is of the schema's type. What is new may still lack some of its fields. */
export function editing<S extends z.ZodType>(
  schema: S,
  about: About & {
    readonly fields: object;
    readonly save: (fields: z.output<S>, version: number | undefined) => Observable<unknown>;
  },
): Edited {
  return { ...about, schema, fields: about.fields as Json, save: about.save as Edited['save'] };
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
  readonly done = output<'saved' | 'removed'>();
  protected readonly none = new Map<string, never>();
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
    this.take(this.edited()!.save(fields, version), 'saved');
  }

  protected goOn(go: () => void): void {
    this.close();
    go();
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
