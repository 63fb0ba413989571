import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import { analyseLaps } from '@core/people/coaching';
import { lapTexts } from '@words/guests';
import { clockMinute, money } from '@core/values';
import { causesOf } from '@core/live/drift';
import { isAbout, type JournalEntry, lapsOwed, nextOccupancy, progressOf } from '@core/journal';
import { knownAnswers } from '@core/venue/booking';
import {
  answersWords,
  BREAK_OFF_WORDS,
  GEARBOX_WORDS,
  GUEST_STAGE_WORDS,
  lapsText,
  PACE_WORDS,
  touchWords,
} from '@words';
import { Button } from 'primeng/button';
import { InputText } from 'primeng/inputtext';
import { GuestBefore } from './guest-before';
import { GuestPairings } from './guest-pairings';
import { DayWords } from '../../../shared/data/day-words';
import { DayService } from '../../../shared/data/day.service';
import { friendLines } from '../../../shared/data/friends';
import { balanceDue } from '../../stations/money/money';
import { SellLap } from '../../stations/money/sell-lap';
import { historyOf } from '../../../shared/data/history';
import { occupancyWords } from '../../../shared/data/next-words';
import { When } from '../../../shared/data/when';
import { beadsOf } from '../../../shared/drawing/bead-list';
import { Beads } from '../../../shared/drawing/beads';
import { onRequest } from '../../../shared/frame/requests';
import { OneMoreDrive, type OwedLaps } from './one-more-drive';
import { OwedWishes } from './owed-wish';

/** One guest: the booking, where the guest is now, the drives, and everything that was entered. */
@Component({
  selector: 'jl-guest-card',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    GuestBefore,
    GuestPairings,
    Beads,
    Button,
    FormsModule,
    InputText,
    OneMoreDrive,
    OwedWishes,
    RouterLink,
    SellLap,
  ],
  templateUrl: './guest-card.html',
  styleUrl: './guest-card.scss',
  host: { class: 'screen' },
})
export class GuestCard {
  protected readonly data = inject(DayService);
  private readonly when = inject(When);
  private readonly words = inject(DayWords);
  private readonly currency = inject(DayService).currency;
  /** Bound from the route. */
  readonly id = input.required<string>();
  protected readonly note = signal('');
  protected readonly moreOpen = signal(false);
  protected readonly wanted = signal<{ readonly cars: readonly string[]; readonly laps: number } | undefined>(
    undefined,
  );
  /** The laps for which a place is looked for, where they are owed. */
  protected readonly owed = signal<OwedLaps | undefined>(undefined);

  protected readonly guest = computed(() => this.data.state()?.guests.get(this.id()));
  protected readonly fields = computed(() => this.data.bookings().get(this.id())?.fields);
  protected readonly where = computed(() => {
    const guest = this.guest();
    return guest && GUEST_STAGE_WORDS[guest.stage];
  });
  protected readonly next = computed(() => {
    const [context, state] = [this.data.context(), this.data.state()];
    return context && state
      ? occupancyWords(
          nextOccupancy(context, state, this.id()),
          this.data.view(),
          this.data.stalls(),
          this.when.words(),
        )
      : '';
  });
  /** What the guest wishes with friends, and how far the plan keeps to it. */
  private readonly friends = computed(() => {
    const context = this.data.context();
    return (
      context &&
      friendLines(context.schedule, this.id())
        .map(({ words }) => words)
        .join('; ')
    );
  });
  protected readonly facts = computed(() => {
    const fields = this.fields();
    if (!fields) return [];
    const due = balanceDue(fields, this.guest());
    const price = fields.price + (this.guest()?.sold ?? 0);
    const answers = knownAnswers(fields, this.guest()?.answers ?? {});
    const rows: [string, string | undefined][] = [
      ['Reference', fields.reference],
      ['Party', fields.party],
      ['Friends', this.friends()],
      ['Languages', fields.languages.join(', ')],
      [
        'Arrives',
        `${clockMinute(fields.arrives)}${fields.leavesBy === undefined ? '' : `, leaves by ${clockMinute(fields.leavesBy)}`}`,
      ],
      ['Pace', PACE_WORDS[fields.pace]],
      [
        'Size',
        [
          fields.heightCm && `${fields.heightCm} cm`,
          fields.weightKg && `${fields.weightKg} kg`,
          fields.helmet && `helmet ${fields.helmet}`,
        ]
          .filter(Boolean)
          .join(', '),
      ],
      ['Gearbox', fields.gearbox && GEARBOX_WORDS[fields.gearbox]],
      ['At home', fields.carAtHome],
      ['Asked', answersWords(answers).join(', ')],
      ...(answers.touch === undefined ? [['Touch', touchWords(undefined)] as [string, string]] : []),
      ['Occasion', fields.occasion],
      ['Born', fields.birthday],
      ['E-mail', fields.email],
      ['Telephone', fields.phone],
      [
        'Payment',
        due > 0
          ? `${money(due, this.currency())} of ${money(price, this.currency())} due`
          : price === 0 && fields.paid === 0
            ? 'no price'
            : `${money(price, this.currency())}, paid`,
      ],
      ['Notes', fields.notes],
    ];
    return rows.filter((row): row is [string, string] => Boolean(row[1]));
  });
  protected readonly drives = computed(() => {
    const [context, state, view] = [this.data.context(), this.data.state(), this.data.view()];
    const guest = this.guest();
    if (!context || !state || !view || !guest) return [];
    const tell = this.words.tell();
    return guest.guest.drives
      .map(({ id, cars }) => {
        const drive = state.drives.get(id)!;
        const occupancy = context.schedule.drives.find(({ planned }) => planned.drive === id);
        const { done, due } = progressOf(context, drive);
        const carId = drive.car ?? cars[0] ?? '';
        const analysis = analyseLaps(context, drive);
        const gain = analysis.gainedS;
        return {
          id,
          number: view.carNumbers[carId],
          car: context.schedule.index.cars.get(carId)?.name ?? carId,
          instructor: context.schedule.index.instructors.get(drive.instructor ?? '')?.name,
          beads: beadsOf(drive, done),
          done,
          due,
          startS: drive.seatedS ?? occupancy?.startS ?? Infinity,
          when:
            drive.releasedS !== undefined
              ? `out ${clockMinute(drive.releasedS)}`
              : occupancy
                ? `at ${this.when.words()(occupancy)}`
                : '',
          laps: lapTexts(analysis),
          gain:
            gain !== undefined && gain > 0 ? `${gain.toFixed(1)} s quicker from the first clean lap to the last` : '',
          owed: owedOf(lapsOwed(context, state, drive), id, drive.car === undefined ? cars : [drive.car]),
          brokenOff:
            drive.brokenOff && `Broken off: ${drive.brokenOff.note ?? BREAK_OFF_WORDS[drive.brokenOff.reason]}`,
          interventions: drive.interventions.length,
          leftOut: context.schedule.plan.unplanned
            .filter(({ drive: out }) => out === id)
            .map(({ reason }) => tell.leftOut(reason))[0],
        };
      })
      .sort((a, b) => a.startS - b.startS);
  });
  protected readonly history = computed(() => {
    const guest = this.guest();
    if (!guest) return [];
    const drives = new Set(guest.guest.drives.map(({ id }) => id));
    const isOwn = (entry: JournalEntry) => isAbout(entry, guest.guest.id, drives);
    return historyOf(this.data.entries(), this.data.shownS(), isOwn).reverse();
  });

  constructor() {
    // Sent from elsewhere with a car and laps that the guest may want.
    onRequest({
      more: (word = '') => {
        const [car, laps] = word.split(',');
        this.wanted.set(car ? { cars: [car], laps: Number(laps) || 5 } : undefined);
        this.more();
      },
    });
  }

  protected more(owed?: OwedLaps): void {
    this.owed.set(owed);
    this.moreOpen.set(true);
  }

  /** What being unwell has changed: of the drive that runs, and of what was still to come. */
  protected readonly unwellWords = computed(() => {
    const [context, state, guest] = [this.data.context(), this.data.state(), this.guest()];
    if (!context || !state || !guest?.unwell) return '';
    const drift = this.data.drift();
    const out = guest.guest.drives
      .flatMap(({ id }) => state.drives.get(id) ?? [])
      .find(({ stage }) => stage === 'seated' || stage === 'onCircuit' || stage === 'standing');
    const line = (drift ? causesOf(drift, state) : []).find(
      ({ cause }) => cause.code === 'guestUnwell' && cause.subjects.guest === guest.guest.id,
    );
    const running = out && progressOf(context, out);
    return [
      ...(running
        ? [`In the car now: brought in, ${lapsText(Math.max(0, running.due - running.done))} stay owed`]
        : []),
      line ? this.words.tell().driftEffect(line) : 'Nothing else of today waits for it',
    ]
      .map((words) => `${words}.`)
      .join(' ');
  });

  protected unwell(): void {
    const guest = this.id();
    this.data.record(this.guest()?.unwell ? { kind: 'guestWell', guest } : { kind: 'guestUnwell', guest });
  }

  protected left(): void {
    this.data.record({ kind: 'guestLeft', guest: this.id() });
  }

  protected addNote(event: Event): void {
    event.preventDefault();
    const text = this.note().trim();
    if (text && this.data.record({ kind: 'noteTaken', text, guest: this.id() })) this.note.set('');
  }
}

function owedOf(laps: number, drive: string, cars: readonly string[]): OwedLaps | undefined {
  return laps > 0 ? { drive, laps, cars } : undefined;
}
