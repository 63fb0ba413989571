import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { rxResource } from '@angular/core/rxjs-interop';
import { Router, RouterLink } from '@angular/router';
import { contract } from '@core/api';
import { differenceCard, lapNearest } from '@core/track/car';
import { legendOf } from '@core/track/circuit';
import {
  drivenBy,
  handover,
  highestLevels,
  paceFromBefore,
  talkOf,
  type Handover,
  type TalkGroup,
  misreadBy,
} from '@core/people/coaching';
import { crewDaysOf, freeFor, mealOf, restOf } from '@core/people/crew';
import { knownAnswers, type BookingFields, type GateAnswers } from '@core/venue/booking';
import { clockMinute, lapTimeText, spokenDuration } from '@core/values';
import { progressOf } from '@core/journal';
import { answersWords, GEARBOX_WORDS, HOUSE_RULE, lapsText, misreadWords, spokenCue } from '@words';
import { Button } from 'primeng/button';
import { of } from 'rxjs';
import { Api } from '../../../shared/data/api';
import { CircuitService } from '../../../shared/data/circuit.service';
import { DayWords } from '../../../shared/data/day-words';
import { PLAIN_WORDS } from '../../../shared/data/screen-words';
import { DayService } from '../../../shared/data/day.service';
import { VocabularyService } from '../../../shared/data/vocabulary.service';
import { GuestCalls } from '../../../shared/data/guest-calls';
import { InstructorChoice } from '../../../shared/data/instructor-choice';
import { SeenTimes } from '../../../shared/data/seen-times';
import { When } from '../../../shared/data/when';
import { beadsOf } from '../../../shared/drawing/bead-list';
import { Beads } from '../../../shared/drawing/beads';
import { GateQuestions } from '../../stations/gate/gate-questions';
import { wayInWords } from '../../stations/pit-exit/pit-exit-model';
import { Talk } from './talk';
import { known } from '../../../shared/data/reading';

const READY_WORDS = {
  paddles: 'ready for paddles',
  nextLevel: 'ready for the next level',
  notYet: 'not yet further',
} as const;

/** The instructor's phone between two drives: whom I get next and what to know, and my day. */
@Component({
  selector: 'jl-handover',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Beads, Button, GateQuestions, RouterLink, Talk],
  templateUrl: './handover.html',
  styleUrl: './handover.scss',
})
export class HandoverScreen {
  private readonly data = inject(DayService);
  private readonly vocabulary = inject(VocabularyService);
  protected readonly tell = inject(DayWords).tell;
  private readonly circuit = inject(CircuitService);
  private readonly api = inject(Api);
  private readonly router = inject(Router);
  private readonly when = inject(When);
  private readonly seen = inject(SeenTimes);
  private readonly guestCalls = inject(GuestCalls);
  protected readonly choice = inject(InstructorChoice);
  protected readonly houseRule = HOUSE_RULE;
  protected readonly touch = ['touch'] as const;

  private readonly next = computed(() =>
    this.choice.drives().find(({ stage }) => stage === 'planned' || stage === 'seated'),
  );
  protected readonly card = computed(() => {
    const [context, state, next, view] = [this.data.context(), this.data.state(), this.next(), this.data.view()];
    if (!context || !state || !next || !view) return undefined;
    const card = handover(context, state, next.drive.id, this.vocabulary.faults());
    if (!card) return undefined;
    const occupancy = context.schedule.drives.find(({ planned }) => planned.drive === next.drive.id);
    const fields = this.data.bookings().get(card.guest.id)?.fields;
    const guest = state.guests.get(card.guest.id)!;
    const answers = knownAnswers(fields, guest.answers);
    const startS = occupancy && this.when.start()(occupancy).atS;
    const inS = (startS ?? state.timeS) - state.timeS;
    const name = (car: string | undefined) => context.schedule.index.cars.get(car ?? '')?.name ?? '';
    return {
      id: next.drive.id,
      toSeat: next.stage === 'planned',
      guest: card.guest.name,
      /** Set where nobody has asked whether a touch is all right. */
      toAsk: answers.touch === undefined ? { guest, fields } : undefined,
      facts: [
        card.guest.languages.join(', '),
        card.gearbox ? GEARBOX_WORDS[card.gearbox] : 'gearbox open',
        `expect ${lapTimeText(card.lapS)}`,
        card.drivesBefore === 0 ? 'first drive today' : `drive ${card.drivesBefore + 1} today`,
        ...(card.ready ? [READY_WORDS[card.ready]] : []),
      ],
      number: view.carNumbers[card.car ?? ''],
      photo: view.carPhotos[card.car ?? ''],
      colour: view.carColours[card.car ?? ''],
      car: name(card.car),
      stall: this.data.stalls()[card.car ?? ''],
      laps: lapsText(next.drive.laps + next.extraLaps),
      when: occupancy ? `${this.when.words()(occupancy)}${inS > 0 ? `, in ${spokenDuration(inS)}` : ''}` : '',
      changed:
        startS !== undefined && this.seen.show(`handover ${next.instructor}`, { [next.drive.id]: startS }).size > 0,
      worked: [...card.worked, ...(card.gainedS === undefined ? [] : [PLAIN_WORDS.gained(card.gainedS)])],
      thing: card.oneThing,
      say: card.oneThing && spokenCue(card.oneThing.say, legendOf(this.circuit.draft())),
      sooner: this.guestCalls.sooner(card.guest.id).map((one) => this.guestCalls.soonerWords(one)),
      misread: misreadBy(state, card.guest.id).map(misreadWords),
      cured: card.cured.map(({ name: words }) => words.toLowerCase()),
      minds: [
        ...(fields?.healthNote ? [fields.healthNote] : []),
        ...(fields?.notes ? [fields.notes] : []),
        ...answersWords(answers),
        ...card.notes,
        ...(card.interventions > 0 ? [`${card.interventions} times somebody had to brake or steer`] : []),
        ...(card.account ? [`says: “${card.account}”`] : []),
        ...(card.favourite ? [`liked the ${name(card.favourite)}`] : []),
        ...(card.friends.length > 0 ? [`here with ${card.friends.join(', ')}`] : []),
      ],
      talk: this.talkFor(card, answers, fields),
      lastCar: name(card.lastCar),
      taught: card.taughtBefore,
      seenBy: card.seenBy,
    };
  });
  /** Earlier days of the next guest, once they are read. */
  private readonly before = rxResource({
    params: () => ({ date: this.data.date(), id: this.next()?.guest.id }),
    stream: ({ params: { date, id } }) =>
      date && id ? this.api.call(contract.readBefore, { params: { date, id } }) : of({ days: [] }),
  });
  protected readonly lastTime = computed(() => {
    const days = known(this.before)?.days ?? [];
    const [last] = days;
    if (!last) return undefined;
    const pace = paceFromBefore(days);
    return [
      `Last time ${last.date}: ${last.drives.map(({ car, laps }) => `${car}, ${lapsText(laps)}`).join('; ')}`,
      ...(last.oneThing ? [`to work on then: ${last.oneThing.toLowerCase()}`] : []),
      ...highestLevels(days.flatMap(({ reached }) => reached)).map(
        ({ programme, level, car }) => `level ${level} reached in the ${programme} (${car})`,
      ),
      ...(last.ready ? [READY_WORDS[last.ready]] : []),
      ...(pace ? [`expect the first drive back at ${pace.toFixed(2)} of a good guest's lap`] : []),
    ].join(' · ');
  });
  /** Drives that are behind me and have no marks yet. */
  protected readonly unmarked = computed(() =>
    this.choice
      .drives()
      // Who rode beside has made no mistakes.
      .filter(
        ({ stage, marked, drive: { ride } }) => !ride && ['parked', 'done'].includes(stage) && marked.length === 0,
      )
      .slice(-3)
      .map(({ drive, guest, parkedS }) => ({ id: drive.id, guest: guest.name, parked: clockMinute(parkedS ?? 0) })),
  );
  protected readonly day = computed(() => {
    const [context, state, view, me] = [this.data.context(), this.data.state(), this.data.view(), this.choice.me()];
    if (!context || !state || !view || !me) return [];
    return this.choice.drives().map((drive) => {
      const occupancy = context.schedule.drives.find(({ planned }) => planned.drive === drive.drive.id);
      return {
        id: drive.drive.id,
        at: clockMinute(drive.seatedS ?? occupancy?.startS ?? 0),
        guest: drive.guest.name,
        number: view.carNumbers[drive.car ?? ''],
        beads: beadsOf(drive, progressOf(context, drive).done),
        over: drive.stage === 'done' || drive.stage === 'parked',
        marked: drive.marked.length > 0,
      };
    });
  });
  /** What my day has been so far, whether its breaks are kept, and what I may do. */
  protected readonly load = computed(() => {
    const [context, state, me] = [this.data.context(), this.data.state(), this.choice.me()];
    const done = context && state && crewDaysOf(context, state).find(({ instructor }) => instructor === me?.id);
    if (!context || !state || !me || !done) return undefined;
    const nowS = this.data.shownS();
    const meal = nowS < me.meal.to ? mealOf(context, me, nowS) : undefined;
    const rest = restOf(context, me);
    const drives = done.drives === 1 ? '1 drive' : `${done.drives} drives`;
    const cars =
      me.cars === 'all' ? 'all cars' : me.cars.map((id) => this.data.view()?.carNumbers[id] ?? id).join(', ');
    const taught = me.cars === 'all' || me.cars.length !== 1 ? 'cars' : 'car';
    return {
      done: `${drives}, ${done.laps} of at most ${me.maxLaps} laps, held ${spokenDuration(done.heldS)}`,
      breaks: [
        ...(meal?.state === 'kept' ? [`meal from ${clockMinute(meal.fromS)}`] : []),
        ...(rest.state === 'kept' ? ['breaks are long enough'] : []),
      ].join(', '),
      endangered: [
        ...(meal?.state === 'endangered'
          ? [`No gap for the meal: the longest is ${spokenDuration(meal.longestS)}.`]
          : []),
        ...(rest.state === 'endangered'
          ? [`From ${clockMinute(rest.fromS)} on ${spokenDuration(rest.workedS)} without a break long enough.`]
          : []),
      ],
      may: `speaks ${me.languages.join(', ')}; ${taught}: ${cars}`,
    };
  });
  /** Who else is free now and may teach in the car of the next guest. */
  protected readonly freeNow = computed(() => {
    const [context, state, car] = [this.data.context(), this.data.state(), this.next()?.car];
    if (!context || !state || car === undefined) return '';
    const others = freeFor(context, state, car).filter(({ instructor }) => instructor !== this.choice.me()?.id);
    return others.map(({ name }) => name).join(', ') || 'nobody else';
  });

  constructor() {
    this.circuit.refresh();
  }

  /** Then the counter is what is needed next. */
  protected seated(): void {
    const next = this.next();
    if (next && this.choice.seat(next)) void this.router.navigate(['/counter']);
  }

  protected read(): void {
    const next = this.next();
    if (next) this.data.record({ kind: 'handoverSeen', drive: next.drive.id }, this.choice.me()?.name);
  }

  /** Everything that is to be said in the car, for this guest and this car. */
  private talkFor(card: Handover, answers: GateAnswers, fields: BookingFields | undefined): TalkGroup[] {
    const [state, view] = [this.data.state(), this.data.view()];
    const drive = state?.drives.get(card.drive.id);
    if (!state || !view || !drive) return [];
    const now = this.circuit.talkSubject(card.car);
    const before = this.circuit.talkSubject(card.lastCar);
    const difference = now && differenceCard(now, before);
    return talkOf({
      customs: this.circuit.coaching(),
      wayIn: wayInWords({ ...view, stalls: this.data.stalls() }, card.car),
      answers,
      gearbox: card.gearbox,
      occasion: fields?.occasion,
      workOn: card.oneThing?.fault.name.toLowerCase(),
      good: card.worked,
      notes: now?.notes,
      traps: difference?.traps ?? [],
      advice: difference?.advice ?? [],
      after: before !== undefined,
      lap: lapNearest(this.circuit.study()?.laps ?? [], card.car, card.guest.pace),
      ticked: drive.talked,
      saidBefore: new Set(drivenBy(state, card.guest.id).flatMap(({ talked }) => [...talked])),
    });
  }

  protected said(lines: string[]): void {
    const next = this.next();
    if (next) this.data.record({ kind: 'talkTicked', drive: next.drive.id, lines }, this.choice.me()?.name);
  }
}
