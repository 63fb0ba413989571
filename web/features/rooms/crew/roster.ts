import { ChangeDetectionStrategy, Component, computed, effect, inject, signal, untracked } from '@angular/core';
import { rxResource, toSignal } from '@angular/core/rxjs-interop';
import { ActivatedRoute } from '@angular/router';
import { FormsModule } from '@angular/forms';
import { contract } from '@core/api';
import { dateAfter, rosterEntry } from '@core/people/crew/at-start';
import {
  daysBetween,
  endingSkills,
  hasSkill,
  holdsOn,
  lastDayOf,
  skillGaps,
  skillsOf,
  withSkill,
  withSkills,
  type Duty,
  type RosterEntry,
  type Skill,
} from '@core/people/crew';
import { BY_ID, wordsIn } from '@words';
import { Button } from 'primeng/button';
import { forkJoin, switchMap } from 'rxjs';
import * as z from 'zod';
import { Api } from '../../../shared/data/api';
import { DayService } from '../../../shared/data/day.service';
import { Manager } from '../../../shared/data/manager';
import { newId } from '../../../shared/data/new-id';
import { PLAIN_WORDS } from '../../../shared/data/screen-words';
import { focusOnceThere } from '../../../shared/forms/focus';
import { formOf } from '../../../shared/forms/fields';
import { MomentField } from '../../../shared/forms/moment-field';
import { editing, RecordEditor, type Edited } from '../../../shared/forms/record-editor';
import { lastKnown, sayUnread } from '../../../shared/data/reading';
import { changeCrew } from './change-crew';
import { RosterGrid, type RosterPlace } from './roster-grid';
import { RosterImport } from './roster-import';
import { Spoken } from './spoken';

/** A skill that ends within so many days is shown as ending. */
const SOON_DAYS = 30;

/** Both hours or none: an empty pair is no pair. */
const rosterForm = z.preprocess((value) => {
  const { hours, ...rest } = value as { hours?: { from?: string; to?: string } };
  return hours?.from || hours?.to ? { ...rest, hours } : rest;
}, rosterEntry);

const skillForm = z.strictObject({ may: z.boolean(), until: z.iso.date('expected a date').optional() });

/** Who is there on which days, who may do what until when, and what hangs on one person. */
@Component({
  selector: 'jl-roster',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, FormsModule, MomentField, RecordEditor, RosterGrid, RosterImport, Spoken],
  templateUrl: './roster.html',
  styleUrls: ['./roster.scss', './skills.scss'],
  host: { class: 'screen' },
})
export class Roster {
  private readonly api = inject(Api);
  protected readonly data = inject(DayService);
  private readonly fragment = toSignal(inject(ActivatedRoute).fragment, { initialValue: null });
  private readonly manager = inject(Manager);
  private readonly chosenFrom = signal<string | undefined>(undefined);
  protected readonly from = computed(() => this.chosenFrom() ?? this.data.date() ?? '2000-01-01');
  /** Who is let in as the manager reads other entries, with their reasons. */
  protected readonly roster = rxResource({
    params: () => ({ date: this.from(), access: this.manager.access() }),
    stream: ({ params: { date } }) =>
      forkJoin({
        crew: this.api.call(contract.listInstructors),
        roster: this.api.call(contract.readRoster, { params: { date } }),
      }),
  });
  private readonly read = lastKnown(this.roster);
  protected readonly crew = computed(() => (this.read()?.crew.instructors ?? []).map(({ fields }) => fields));
  private readonly stored = computed(() => this.read()?.roster.entries ?? []);
  protected readonly entries = computed(() => this.stored().map(({ fields }) => fields));
  protected readonly day = PLAIN_WORDS.date;
  protected readonly importing = signal(false);
  protected readonly edited = signal<Edited | undefined>(undefined);
  /** What the dialog edits: an entry of the roster, or a skill. */
  private readonly what = signal<'entry' | 'skill'>('entry');
  protected readonly events = computed(() => new Set(this.data.days().map(({ date }) => date)));

  private readonly cars = computed(() => {
    const numbers = this.data.view()?.carNumbers ?? {};
    return (this.data.day()?.cars ?? []).map(({ id, name }) => ({ id, name, number: numbers[id] ?? id }));
  });
  private readonly fleet = computed(() => this.cars().map(({ id }) => id));
  /** Also of those who are not there on the open day. */
  private readonly names = computed(() => {
    const crew = new Map(this.crew().map(({ id, name }) => [id, name]));
    const cars = new Map(this.cars().map(({ id, name }) => [id, name]));
    return { ...BY_ID, instructor: (id: string) => crew.get(id) ?? id, car: (id: string) => cars.get(id) ?? id };
  });
  private readonly tell = computed(() => wordsIn('en', this.names()));
  protected readonly warnings = computed(() =>
    skillGaps({ cars: this.fleet(), crew: this.crew(), roster: this.entries() }, this.from()).map((gap) =>
      this.tell().gap(gap),
    ),
  );
  /** Skills that end before long, those that end together in one sentence. */
  protected readonly ending = computed(() => {
    const sentences = new Map<string, string[]>();
    for (const { instructor, skill, last } of endingSkills(
      { cars: this.fleet(), crew: this.crew() },
      this.from(),
      SOON_DAYS,
    )) {
      const end = `may ${this.tell().skill(skill)} until ${this.day(last)}.`;
      sentences.set(end, [...(sentences.get(end) ?? []), this.names().instructor(instructor)]);
    }
    return [...sentences].map(([end, who]) => `${who.join(', ')} ${end}`);
  });
  protected readonly skills = computed(() =>
    skillsOf(this.fleet()).map((skill) => ({
      skill,
      key: keyOf(skill),
      short: skill.kind === 'car' ? this.cars().find(({ id }) => id === skill.car)!.number : SHORT[skill.kind],
      words: this.tell().skill(skill),
    })),
  );
  protected readonly matrix = computed(() =>
    this.crew().map((who) => ({
      id: who.id,
      name: who.name,
      cells: this.skills().map(({ skill, key, words }) => {
        const [may, last] = [hasSkill(who, skill), lastDayOf(who, skill)];
        const ended = may && !holdsOn(who, skill, this.from());
        const soon = may && !ended && last !== undefined && daysBetween(this.from(), last) < SOON_DAYS;
        const until = last === undefined ? undefined : this.short(last);
        const says = may
          ? `${who.name} may ${words}${until ? `, ${ended ? 'ended' : 'until'} ${until}` : ''}`
          : `${who.name} may not ${words}`;
        return { skill, key, may, ended, soon, until, says };
      }),
    })),
  );
  protected readonly fields = computed(() => {
    if (this.what() === 'skill') {
      return formOf<z.input<typeof skillForm>>({
        may: { label: 'May', kind: 'yes' },
        until: { label: 'Until', kind: 'date', optional: true, hint: 'the last day; empty where it has no end' },
      });
    }
    const crew = this.crew().map(({ id, name }) => ({ value: id, label: name }));
    return formOf<z.input<typeof rosterEntry>>({
      id: 'notHere',
      instructor: { label: 'Instructor', kind: 'choice', options: crew },
      kind: {
        label: 'What',
        kind: 'choice',
        options: [
          { value: 'shift', label: 'Shift' },
          { value: 'absence', label: 'Absence' },
        ],
      },
      from: { label: 'First day', kind: 'date' },
      to: { label: 'Last day', kind: 'date' },
      'hours.from': { label: 'From', kind: 'time', optional: true, hint: 'empty: the usual hours, or all day' },
      'hours.to': { label: 'To', kind: 'time', optional: true },
      reason: this.manager.access()?.open
        ? { label: 'Reason, for the manager alone', kind: 'text', optional: true, wide: true }
        : 'notHere',
    });
  });

  constructor() {
    sayUnread(this.roster);
    // Whoever comes for one part is put there, once: not with each reading of the roster.
    const isRead = computed(() => this.read() !== undefined);
    effect(() => {
      const fragment = this.fragment();
      if (isRead() && fragment) untracked(() => focusOnceThere(fragment));
    });
  }

  protected start(date: string): void {
    if (/^\d{4}-\d\d-\d\d$/.test(date)) this.chosenFrom.set(date);
  }

  protected turn(days: number): void {
    this.chosenFrom.set(dateAfter(this.from(), days));
  }

  protected imported(): void {
    this.importing.set(false);
    this.roster.reload();
  }

  protected open({ instructor, date, entry }: RosterPlace): void {
    this.what.set('entry');
    const fresh: RosterEntry = { id: newId(), instructor, kind: 'shift', from: date, to: date };
    const params = { id: (entry ?? fresh).id };
    this.edited.set(
      editing(rosterForm, {
        title: `${this.names().instructor(instructor)}, ${this.day(date)}`,
        fields: z.encode(rosterEntry, entry ?? fresh),
        version: this.stored().find(({ fields }) => fields.id === params.id)?.version,
        save: (fields, version = 0) => this.api.call(contract.putRosterEntry, { params, body: { version, fields } }),
        ...(entry && {
          remove: { label: 'Take out of the roster', run: () => this.api.call(contract.removeRosterEntry, { params }) },
        }),
      }),
    );
  }

  protected openSkill(id: string, skill: Skill): void {
    const who = this.crew().find((one) => one.id === id)!;
    this.what.set('skill');
    this.edited.set(
      editing(skillForm, {
        title: `May ${who.name} ${this.tell().skill(skill)}?`,
        fields: { may: hasSkill(who, skill), until: lastDayOf(who, skill) },
        version: undefined,
        // Only this skill is changed, of the instructor as stored now: what somebody else has saved meanwhile stays.
        save: (to) =>
          this.api.call(contract.listInstructors).pipe(
            switchMap(({ instructors }) => {
              const { version, fields } = instructors.find((one) => one.id === id)!;
              const body = { version, fields: withSkill(fields, skill, to, this.fleet()) };
              return this.api.call(contract.changeInstructor, { params: { id }, body });
            }),
          ),
      }),
    );
  }

  /** Everybody, or one, may do all of these; where all may already, nobody may any more. */
  protected fill(skills: readonly Skill[], who?: string): void {
    const crew = this.crew().filter(({ id }) => who === undefined || id === who);
    const may = !crew.every((one) => skills.every((skill) => hasSkill(one, skill)));
    changeCrew(this.api, crew, (fields) => withSkills(fields, skills, may, this.fleet())).subscribe({
      next: () => {
        this.roster.reload();
        this.data.reload();
      },
      error: (error: Error) => this.data.refuse(error.message),
    });
  }

  protected readonly all = computed(() => this.skills().map(({ skill }) => skill));

  /** `24 May`, with the year where it is another one. */
  private short(date: string): string {
    const year = date.slice(0, 4) === this.from().slice(0, 4) ? undefined : ('2-digit' as const);
    return new Date(`${date}T00:00:00Z`).toLocaleDateString('en-GB', {
      day: 'numeric',
      month: 'short',
      year,
      timeZone: 'UTC',
    });
  }
}

const SHORT: Readonly<Record<Duty, string>> = {
  brief: 'class',
  sighting: 'sight',
  leadCar: 'lead',
  spotter: 'spot',
  rides: 'ride',
  marshal: 'marsh',
  blocker: 'block',
  push: 'push',
};

function keyOf(skill: Skill): string {
  return skill.kind === 'car' ? skill.car : skill.kind;
}
