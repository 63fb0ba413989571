import { ChangeDetectionStrategy, Component, inject, input, model, output, signal } from '@angular/core';
import { Dialog } from 'primeng/dialog';
import type { Observable } from 'rxjs';
import type * as z from 'zod';
import { ApiError } from '../data/api';
import { DayService } from '../data/day.service';
import type { Field, Json } from './fields';
import { RecordForm, type Conflict } from './record-form';

/** Something that is edited: its fields in encoded form, and the version they were read at (nothing: it is new). */
export interface Edited {
  readonly title: string;
  readonly fields: Json;
  readonly version: number | undefined;
  /** Saves the decoded fields; errs with an `ApiError`. */
  readonly save: (fields: never, version: number | undefined) => Observable<unknown>;
}

/** A dialog with a record form that saves, and settles conflicts with people who edit the same thing. */
@Component({
  selector: 'jl-record-editor',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Dialog, RecordForm],
  template: `
    @if (edited(); as it) {
      <p-dialog
        [header]="it.title"
        [visible]="true"
        (visibleChange)="close()"
        [modal]="true"
        [draggable]="false"
        [style]="{ width: '58rem', maxWidth: '96vw' }"
      >
        <jl-record-form
          [fields]="fields()"
          [schema]="schema()"
          [record]="it.fields"
          [conflict]="conflict()"
          [saving]="saving()"
          (saved)="save($event, it.version)"
          (overwrite)="save($event, latest())"
          (cancelled)="close()"
        />
      </p-dialog>
    }
  `,
})
export class RecordEditor {
  private readonly data = inject(DayService);
  readonly edited = model<Edited>();
  readonly fields = input.required<readonly Field[]>();
  readonly schema = input.required<z.ZodType>();
  readonly done = output<void>();
  protected readonly conflict = signal<Conflict | undefined>(undefined);
  protected readonly saving = signal(false);
  /** Version of what the other person saved; saving over it needs that one. */
  protected readonly latest = signal<number | undefined>(undefined);

  protected save(fields: unknown, version: number | undefined): void {
    this.saving.set(true);
    this.edited()!
      .save(fields as never, version)
      .subscribe({
        next: () => {
          this.saving.set(false);
          this.close();
          this.done.emit();
        },
        error: (error: unknown) => {
          this.saving.set(false);
          const current =
            error instanceof ApiError
              ? (error.problem?.current as { version: number; fields: Json } | undefined)
              : undefined;
          if (current) {
            this.conflict.set({ message: (error as Error).message, current: current.fields });
            this.latest.set(current.version);
          } else this.data.refuse((error as Error).message);
        },
      });
  }

  protected close(): void {
    this.edited.set(undefined);
    this.conflict.set(undefined);
  }
}
