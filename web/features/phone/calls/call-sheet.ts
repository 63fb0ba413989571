import { ChangeDetectionStrategy, Component, computed, effect, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { callsOnLap, type Call, type CallKind, type CornerCalls } from '@core/track/car';
import type { DriveState } from '@core/journal';
import { Button } from 'primeng/button';
import { Select } from 'primeng/select';
import { SelectButton } from 'primeng/selectbutton';
import type { LapCalls } from '../../../shared/data/circuit.worker';
import { CircuitService } from '../../../shared/data/circuit.service';
import { DayService } from '../../../shared/data/day.service';
import { GuestCalls } from '../../../shared/data/guest-calls';
import { InstructorChoice } from '../../../shared/data/instructor-choice';
import { lapFaultWords, PLAIN_WORDS } from '../../../shared/data/screen-words';
import { ownHeading } from '../../../shared/frame/own-heading';
import { CallWords } from './call-words';
import { PractiseLap, type SpokenCall } from './practise-lap';

const MARKS: Record<CallKind, string> = {
  look: '◉',
  beOn: '⇄',
  hands: '⊙',
  lift: '▽',
  brake: '▼',
  keepBraking: '▼',
  gearDown: '↓',
  release: '△',
  keepWaiting: '…',
  turn: '↷',
  apex: '◆',
  balance: '≈',
  throttle: '▲',
  easeThrottle: '△',
  letRun: '↗',
  exit: '↗',
  gearUp: '↑',
};

/** Less is nothing that anybody notices. */
const LEAST_COST_S = 0.05;
const LAPS = [
  { label: 'First lap', value: 1 },
  { label: 'Second', value: 2 },
  { label: 'Later', value: 99 },
] as const;

/**
 * The calls of a lap for one car and one pace, for a guest where one is chosen: what to say, and where to begin to say it.
 * To print, to practise, and for a phone.
 */
@Component({
  selector: 'jl-call-sheet',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, CallWords, FormsModule, PractiseLap, Select, SelectButton],
  templateUrl: './call-sheet.html',
  styleUrl: './call-sheet.scss',
})
export class CallSheet {
  protected readonly circuit = inject(CircuitService);
  private readonly data = inject(DayService);
  private readonly instructor = inject(InstructorChoice);
  private readonly guestCalls = inject(GuestCalls);
  protected readonly heading = ownHeading('Calls');
  protected readonly marks = MARKS;
  protected readonly laps = [...LAPS];
  protected readonly words = PLAIN_WORDS;
  private readonly drive = signal<string | null | undefined>(undefined);
  protected readonly car = signal<string | undefined>(undefined);
  protected readonly pace = signal<number | undefined>(undefined);
  protected readonly gearboxOf = signal<'auto' | 'paddle' | undefined>(undefined);
  protected readonly lap = signal<number>(1);
  protected readonly practising = signal(false);
  protected readonly wording = signal(false);
  /** Calls that are wanted sooner by hand. */
  protected readonly byHand = signal<ReadonlySet<string>>(new Set());
  private readonly answer = signal<LapCalls | undefined>(undefined);
  protected readonly gearboxes = [
    { label: 'Automatic', value: 'auto' },
    { label: 'Paddles', value: 'paddle' },
  ];
  /** Guests whose drive is under way or comes next, those of this phone's instructor first. */
  protected readonly drives = computed(() => {
    const state = this.data.state();
    const me = this.instructor.me()?.id;
    const open = [...(state?.drives.values() ?? [])].filter(({ stage }) => OPEN.has(stage));
    const mine = (drive: DriveState) => Number(me !== undefined && drive.instructor === me);
    return open
      .sort((a, b) => mine(b) - mine(a) || (a.seatedS ?? Infinity) - (b.seatedS ?? Infinity))
      .map((drive) => ({
        drive,
        id: drive.drive.id,
        label: `${drive.guest.name}, ${this.circuit.carName(drive.car ?? '')}`,
      }));
  });
  /** The drive that the calls are for: the one that is chosen, or the next one of whose phone this is. */
  protected readonly chosenDrive = computed(() => {
    const [chosen, next] = [this.drive(), this.instructor.drives().find(({ stage }) => OPEN.has(stage))];
    const id = chosen === undefined ? next?.drive.id : chosen;
    return this.drives().find((one) => one.id === id);
  });
  protected readonly choices = computed(() =>
    this.circuit.fleet().map(({ id, number, name }) => ({ id, label: `${number} ${name}` })),
  );
  protected readonly chosen = computed(() => {
    const known = (id: string | undefined) => this.choices().find((one) => one.id === id)?.id;
    return this.car() ?? known(this.chosenDrive()?.drive.car) ?? this.choices()[0]?.id;
  });
  protected readonly gearbox = computed(() => this.gearboxOf() ?? this.chosenDrive()?.drive.drive.gearbox ?? 'paddle');
  protected readonly paces = computed(() =>
    [...this.circuit.paces()]
      .sort((a, b) => b - a)
      .map((value) => ({ value, label: value === 1 ? 'quick guest' : `pace ${value}` })),
  );
  protected readonly chosenPace = computed(() => this.pace() ?? this.paces()[0]?.value ?? 1);
  private readonly guest = computed(() => this.chosenDrive()?.drive.guest.id);
  private readonly ofGuest = computed(() => {
    const guest = this.guest();
    return guest === undefined ? [] : this.guestCalls.sooner(guest);
  });
  /** What this guest's faults move, in words. */
  protected readonly soonerWords = computed(() => this.ofGuest().map((one) => this.guestCalls.soonerWords(one)));
  /** The same set as long as the same calls are in it: the clock alone has nothing computed anew. */
  protected readonly sooner = computed(() => new Set([...this.ofGuest().map(({ id }) => id), ...this.byHand()]), {
    equal: (one, other) => one.size === other.size && [...one].every((id) => other.has(id)),
  });
  /** The corners with the calls of the lap that is shown. */
  protected readonly corners = computed(() => {
    const guest = this.guest();
    const marked = guest === undefined ? new Set<string>() : this.guestCalls.marked(guest);
    const { quietFromLap } = this.circuit.coaching();
    return callsOnLap(this.answer()?.corners ?? [], { lap: this.lap(), quietFromLap, marked });
  });
  protected readonly spoken = computed(() =>
    this.corners().flatMap(({ calls }) =>
      calls.map((call): SpokenCall => ({ text: this.say(call), sayS: call.sayS, takesS: call.takesS })),
    ),
  );
  protected readonly way = computed(() => this.answer()?.way);
  protected readonly lapTimeS = computed(() => this.answer()?.lapTimeS);
  /** What the taught gears save and cost. */
  protected readonly shifts = computed(() => {
    const answer = this.answer();
    if (answer?.lapTimeS === undefined || answer.bestLapTimeS === undefined) return '';
    const costs = answer.lapTimeS - answer.bestLapTimeS;
    const best =
      answer.bestShifts === answer.shifts || costs < LEAST_COST_S
        ? ''
        : ` (${answer.bestShifts} would be ${costs.toFixed(1)} s quicker)`;
    return `lap ${answer.lapTimeS.toFixed(1)} s, ${answer.shifts} shifts${best}`;
  });
  protected readonly fault = computed(() => {
    const fault = this.answer()?.fault;
    return fault && lapFaultWords(fault);
  });
  protected readonly custom = computed(() => {
    const { braking, throttle, speechS, reactionS, quietFromLap } = this.circuit.coaching();
    return (
      `${braking === 'straight' ? 'Braking is finished in a straight line' : 'Braking is trailed off into the turn'}; ` +
      `${throttle === 'none' ? 'no throttle until the wheel unwinds' : 'a light throttle in mid-corner'}; ` +
      `said ${(speechS + reactionS).toFixed(1)} s ahead (${speechS} s to say it, ${reactionS} s to act); ` +
      `quiet from lap ${quietFromLap} on, except where something was marked.`
    );
  });

  constructor() {
    this.circuit.refresh();
    effect((onCleanup) => {
      const car = this.circuit.fleet().find(({ id }) => id === this.chosen());
      const [pace, gearbox, sooner, coaching] = [
        this.chosenPace(),
        this.gearbox(),
        this.sooner(),
        this.circuit.coaching(),
      ];
      this.circuit.grip();
      this.circuit.draft();
      if (!car) return;
      let current = true;
      onCleanup(() => (current = false));
      const { speechS, reactionS, throttle, braking, calls } = coaching;
      void this.circuit
        .calls(car, pace, { speechS, reactionS, customs: calls, gearbox, throttle, braking, sooner })
        .then((answer) => {
          if (current && answer) this.answer.set(answer);
        });
    });
  }

  protected choose(drive: string | null): void {
    this.drive.set(drive);
    this.car.set(undefined);
    this.gearboxOf.set(undefined);
    this.byHand.set(new Set());
  }

  protected say({ what }: Pick<Call, 'what'>): string {
    return this.words.call(what, this.circuit.coaching().calls);
  }

  protected remarksOf({ remarks }: CornerCalls): string {
    return remarks.map(this.words.cornerRemark).join(' · ');
  }

  /** What found no room, and beside what. */
  protected droppedOf({ dropped }: CornerCalls): string {
    return dropped
      .map(({ what, beside }) => `“${this.say({ what })}” (“${this.say({ what: beside })}” is said then)`)
      .join(', ');
  }

  protected toggle(id: string): void {
    this.byHand.update((known) => {
      const next = new Set(known);
      if (!next.delete(id)) next.add(id);
      return next;
    });
  }

  protected print(): void {
    window.print();
  }
}

const OPEN: ReadonlySet<DriveState['stage']> = new Set(['planned', 'seated', 'onCircuit']);
