import { ChangeDetectionStrategy, Component, computed, effect, input, output, signal, untracked } from '@angular/core';
import { NgTemplateOutlet } from '@angular/common';
import { FormControl, FormGroup, FormsModule, ReactiveFormsModule } from '@angular/forms';
import { durationOf, type Fault, faultsOf, type Json, valueAt, withValues } from '@core/values';
import { Button } from 'primeng/button';
import { Checkbox } from 'primeng/checkbox';
import { NumberField } from './number-field';
import { InputText } from 'primeng/inputtext';
import { MultiSelect } from 'primeng/multiselect';
import { Select } from 'primeng/select';
import { Textarea } from 'primeng/textarea';
import type * as z from 'zod';
import { ApiError } from '../data/api';
import { DrivesField } from './drives-field';
import { MomentField } from './moment-field';
import { PhotoField } from './photo-field';
import { fieldId, recordValue, shownValue, valueText, type Field, type Option } from './fields';

const FEW_OPTIONS = 12;
/** More are drawn only as far as they are seen. */
const MANY_OPTIONS = 100;

/** What somebody else has saved meanwhile. */
export interface Conflict {
  readonly message: string;
  /** The record as it stands now, encoded. */
  readonly current: Json;
}

/** The conflict that a refused change was, with the version that stands now; nothing where it was refused otherwise. */
export function conflictOf(error: unknown): (Conflict & { readonly version: number }) | undefined {
  const current =
    error instanceof ApiError ? (error.problem?.current as { version: number; fields: Json } | undefined) : undefined;
  return current && { message: (error as Error).message, current: current.fields, version: current.version };
}

/**
 * Edits one record field by field. The zod schema is the only judge: its faults stand under their fields. On a conflict
 * both versions are shown and nothing is overwritten unseen.
 */
@Component({
  selector: 'jl-record-form',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    Button,
    Checkbox,
    DrivesField,
    FormsModule,
    NumberField,
    InputText,
    MomentField,
    MultiSelect,
    NgTemplateOutlet,
    PhotoField,
    ReactiveFormsModule,
    Select,
    Textarea,
  ],
  templateUrl: './record-form.html',
  styleUrl: './record-form.scss',
})
export class RecordForm {
  readonly fields = input.required<readonly Field[]>();
  /** The record in its encoded form; fields that are not named stay as they are. */
  readonly record = input.required<Json>();
  readonly schema = input.required<z.ZodType>();
  readonly conflict = input<Conflict>();
  readonly saving = input(false);
  readonly saveLabel = input('Save');
  /** What a changed value would do, by its path; stands behind its sentence. */
  readonly effects = input<ReadonlyMap<string, string>>(new Map());
  /** What a field holds until somebody types in it, by the rest of the record as it is typed; by its path. */
  readonly follows = input<ReadonlyMap<string, (typed: Json) => unknown>>(new Map());
  /** The record as it is typed, encoded, whenever something in it changes. */
  readonly typed = output<Json>();
  /** The record, decoded by the schema. */
  readonly saved = output<unknown>();
  readonly cancelled = output<void>();
  /** The person has seen the other version and saves over it. */
  readonly overwrite = output<unknown>();

  protected readonly form = signal(new FormGroup<Record<string, FormControl<unknown>>>({}));
  private readonly faults = signal<readonly Fault[]>([]);

  /** Whether a list is so long that one looks for an entry by typing. */
  protected isLong({ options = [] }: Field): boolean {
    return options.length > FEW_OPTIONS;
  }

  /** The options of each choice, by its path; the value that it has is one of them, whatever it is. */
  protected readonly choices = computed(() => {
    const record = this.record();
    return new Map(
      this.fields().flatMap(({ path, kind, options = [] }): [string, Option[]][] =>
        kind === 'choice' ? [[path, withStored(options, valueAt(record, path))]] : [],
      ),
    );
  });

  protected isVeryLong({ options = [] }: Field): boolean {
    return options.length > MANY_OPTIONS;
  }

  protected readonly groups = computed(() => {
    const groups: { title: string; folded: string | undefined; fields: Field[] }[] = [];
    for (const field of this.fields()) {
      if (field.group !== undefined || groups.length === 0) {
        groups.push({ title: field.group ?? '', folded: field.folded, fields: [] });
      }
      groups.at(-1)!.fields.push(field);
    }
    return groups;
  });
  /** Faults that belong to no field on screen. */
  protected readonly otherFaults = computed(() => {
    const paths = this.fields().map(({ path }) => path);
    return this.faults().filter((fault) => !paths.some((path) => belongs(fault, path)));
  });
  protected readonly faultCount = computed(() => this.faults().length);
  protected readonly differences = computed(() => {
    const conflict = this.conflict();
    if (!conflict) return [];
    const mine = this.collect();
    return this.fields()
      .map((field) => ({ field, theirs: valueAt(conflict.current, field.path), mine: valueAt(mine, field.path) }))
      .filter(({ theirs, mine }) => JSON.stringify(theirs) !== JSON.stringify(mine))
      .map(({ field, theirs, mine }) => ({
        label: field.label,
        theirs: valueText(field, theirs),
        mine: valueText(field, mine),
      }));
  });

  constructor() {
    effect(() => {
      const record = this.record();
      // Fields may be made anew while a person types; only another record fills the form.
      untracked(() => this.fill(record));
    });
    // What a field is worked out from may be read after somebody has begun to type.
    effect(() => this.followOn());
    effect((onCleanup) => {
      const watched = this.form().valueChanges.subscribe(() => {
        this.followOn();
        this.typed.emit(this.collect());
      });
      onCleanup(() => watched.unsubscribe());
    });
  }

  protected readonly id = fieldId;

  /** Names of controls may hold no dots. */
  protected control(field: Field): string {
    return field.path.replaceAll('.', '/');
  }

  /** How a text is to be written, where that is not plain. */
  protected placeholder({ kind }: Field): string {
    if (kind === 'windows') return '08:30–12:00, 13:00–18:00';
    if (kind === 'duration') return '25 min';
    return '';
  }

  protected faultOf(field: Field): string | undefined {
    const fault = this.faults().find((one) => belongs(one, field.path))?.message;
    const typed = this.form().controls[this.control(field)]?.value;
    const unread = field.kind === 'duration' && typeof typed === 'string' && durationOf(typed) === undefined;
    return fault && unread ? 'write it as people say it: 25 min, 1 h 30, 90 s' : fault;
  }

  protected isFaulty(fields: readonly Field[]): boolean {
    return fields.some((field) => this.faultOf(field) !== undefined);
  }

  protected submit(event?: Event): void {
    event?.preventDefault();
    const result = this.check();
    if (result !== undefined) this.saved.emit(result);
  }

  protected saveOver(): void {
    const result = this.check();
    if (result !== undefined) this.overwrite.emit(result);
  }

  protected takeTheirs(): void {
    const conflict = this.conflict();
    if (conflict) this.fill(conflict.current);
    this.cancelled.emit();
  }

  private followOn(): void {
    for (const [path, value] of this.follows()) {
      const control = this.form().controls[path.replaceAll('.', '/')];
      if (control && !control.dirty) control.setValue(value(this.collect()), { emitEvent: false });
    }
  }

  private fill(record: Json): void {
    this.faults.set([]);
    this.form.set(
      new FormGroup(
        Object.fromEntries(
          this.fields().map((field) => [
            this.control(field),
            new FormControl(shownValue(field, valueAt(record, field.path))),
          ]),
        ),
      ),
    );
  }

  private collect(): Json {
    const form = this.form();
    return withValues(
      this.record(),
      this.fields().map((field) => ({
        path: field.path,
        value: recordValue(field, form.controls[this.control(field)]?.value),
      })),
    );
  }

  private check(): unknown {
    const result = this.schema().safeParse(this.collect());
    this.faults.set(result.success ? [] : faultsOf(result.error));
    if (result.success) return result.data;
    const first = this.fields().find((field) => this.faultOf(field) !== undefined);
    if (first) document.getElementById(this.id(first))?.focus();
    return undefined;
  }
}

function withStored(options: readonly Option[], stored: unknown): Option[] {
  const known = typeof stored !== 'string' || stored === '' || options.some(({ value }) => value === stored);
  return known ? [...options] : [{ value: stored, label: stored }, ...options];
}

function belongs(fault: Fault, path: string): boolean {
  return fault.path === path || fault.path.startsWith(`${path}.`) || fault.path.startsWith(`${path}[`);
}
