import type { DayView } from '@core/api';
import { clockMinute, spokenDuration } from '@core/values';
import type { DriveOccupancy, PersonOccupancy } from '@core/day';
import { keyOf, slackOf, type Drift, type Start } from '@core/live/drift';
import {
  countsDiffer,
  hasStopped,
  progressOf,
  standingOnCircuit,
  vehiclesOnCircuit,
  type DayContext,
  type DayState,
  type DriveState,
} from '@core/journal';
import {
  crossesInS,
  delaysOf,
  exitLimits,
  type Delay,
  passesSeen,
  releaseAdvice,
  swapSaves,
  trainsAt,
  SWAP_FROM,
  type LapShape,
  type Pass,
  type ReleaseAdvice,
  type Runner,
  type RunnerName,
  waitingDrive,
  waitingRun,
} from '@core/live/traffic';
import { EXTRA_LAP_WORDS } from '@words';
import { startWords } from '../../../shared/data/when';
import { beadsOf, type Bead } from '../../../shared/drawing/bead-list';

/** A drive as the pit exit sees it. */
export interface PitDrive {
  readonly id: string;
  readonly guest: string;
  readonly number: number | undefined;
  readonly car: string;
  readonly carId: string;
  readonly instructor: string;
  readonly instructorId: string;
  readonly beads: readonly Bead[];
  readonly done: number;
  readonly due: number;
  readonly plannedS: number;
  /** In a few words, for the second line. */
  readonly note: string;
}

/** A drive that waits to be let out. */
export interface QueuedDrive extends PitDrive {
  /** Why the garage holds the car in which the guest sits, if it does. */
  readonly held: string | undefined;
  /** What is still to be looked at. */
  readonly unchecked: readonly string[];
  readonly checked: readonly string[];
}

/** A sighting run whose guests are there. */
export interface WaitingRun {
  /** Place in the plan. */
  readonly place: number;
  readonly vehicle: string;
  readonly name: string;
  readonly instructor: string;
  readonly instructorId: string;
  /** Guests who have had their class and are there, by id. */
  readonly ready: readonly string[];
  /** How many are still missing. */
  readonly missing: number;
  readonly note: string;
}

/** A sighting run on the circuit. */
export interface RunOut {
  readonly vehicle: string;
  readonly name: string;
  readonly guests: number;
  readonly instructor: string;
  /** Laps that the loop has seen, of those to be driven. */
  readonly done: number;
  readonly due: number;
  readonly sinceS: number;
}

/** A drive on the circuit. */
export interface RunningDrive extends PitDrive {
  /** The counts of the loop and of those who tap, where both have spoken. */
  readonly counts: string;
  /** Both counts, where they differ. */
  readonly differ: { readonly loop: number; readonly hand: number } | undefined;
  readonly spoiled: boolean;
  /** A lap that a pass has spoiled and nobody has marked yet. */
  readonly passed: { readonly lap: number; readonly words: string } | undefined;
  /** Whom it delays, if it ends later than planned. */
  readonly delays: readonly Delay[];
  /** Whom one more lap would delay. */
  readonly extraDelays: readonly Delay[];
  /** Why the instructor asks for one more lap, if so. */
  readonly asked: string | undefined;
  /** Crossings of the line that hold. */
  readonly crossings: number;
  /** A report of the loop that is to be looked at. */
  readonly doubt: string | undefined;
}

/** What is at the pit exit and on the circuit, each list in the order in which it is dealt with. */
export interface PitExitModel {
  /** Guests whose drive comes next and who may be seated, in the order of the plan. */
  readonly toSeat: readonly PitDrive[];
  /** Seated, waiting to be let out. */
  readonly queue: readonly QueuedDrive[];
  /** Sighting runs that may be let out, in the order of the plan. */
  readonly runs: readonly WaitingRun[];
  readonly onCircuit: readonly RunningDrive[];
  readonly rollingIn: readonly (PitDrive & { readonly wayIn: string })[];
  /** Whether a train waits to be let out. */
  readonly trainWaits: boolean;
  /** Cars that stand on the circuit. */
  readonly standing: readonly (PitDrive & { readonly safe: boolean; readonly where: string })[];
  readonly vehicles: number;
  readonly most: number;
  readonly runsOut: readonly RunOut[];
  /** Cars that crossed the line lately and are not entered as let out. */
  readonly strays: readonly string[];
}

/** When to let the first car of the queue out, and whether another should go first. */
export interface QueueAdvice {
  readonly advice: ReleaseAdvice;
  /** The car that should go first, and the passes that saves. */
  readonly swap: { readonly id: string; readonly number: number | undefined; readonly saves: number } | undefined;
}

const SEATED_AHEAD_S = 30 * 60;
/** A run is shown so long before it is to go. */
const RUN_AHEAD_S = 10 * 60;
/** A row keeps its place for so long after a crossing or a tap. */
const STAYS_S = 6;
/** A car that crossed the line unasked is told of for so long. */
const STRAY_SHOWN_S = 180;
/** The same for a crossing that is in doubt. */
const DOUBT_SHOWN_S = 120;

type View = Pick<DayView, 'carNumbers' | 'stalls' | 'pitExit'>;

/**
 * @param runners who is on the circuit, in the order in which they come past
 * @param startOf when a drive will begin
 */
export function pitExitModel(
  context: DayContext,
  state: DayState,
  view: View,
  runners: readonly Runner[],
  shape: LapShape,
  startOf: (occupancy: PersonOccupancy) => Start,
): PitExitModel {
  const occupancies = new Map(context.schedule.drives.map((occupancy) => [occupancy.planned.drive, occupancy]));
  const drives = [...state.drives.values()];
  const at = (stage: DriveState['stage']) => drives.filter((drive) => drive.stage === stage);
  const numberOf = (car: string) => view.carNumbers[car];
  const model = (drive: DriveState, note: string): PitDrive => {
    const { done, due } = progressOf(context, drive);
    const carId = drive.car ?? '';
    const instructorId = drive.instructor ?? '';
    return {
      id: drive.drive.id,
      guest: drive.guest.name,
      number: numberOf(carId),
      car: context.schedule.index.cars.get(carId)?.name ?? carId,
      carId,
      instructor: context.schedule.index.instructors.get(instructorId)?.name ?? instructorId,
      instructorId,
      beads: beadsOf(drive, done),
      done,
      due,
      plannedS: occupancies.get(drive.drive.id)?.releaseS ?? Infinity,
      note,
    };
  };
  const toSeat = context.schedule.drives
    .filter((occupancy) => isNext(state, occupancy) && occupancy.startS < state.timeS + SEATED_AHEAD_S)
    .sort((a, b) => a.startS - b.startS)
    .map((occupancy) => model(state.drives.get(occupancy.planned.drive)!, seatNote(startOf(occupancy), state)));
  const seen = passesSeen(context, state, shape);
  const passing = ({ kind, vehicle }: RunnerName) =>
    kind !== 'sighting'
      ? `car ${numberOf(vehicle) ?? '?'}`
      : (context.schedule.index.vehicles.get(vehicle)?.name ?? vehicle);
  // A row does not move away under the finger: who has just crossed the line stays on top for a moment.
  const crossedS = ({ id }: Runner) => state.drives.get(id)?.count.marks.at(-1)?.atS ?? -Infinity;
  const stays = (runner: Runner) => state.timeS - crossedS(runner) < STAYS_S;
  const ordered = [...runners].sort((a, b) => Number(stays(b)) - Number(stays(a)));
  const running = ordered.flatMap((runner): RunningDrive[] => {
    const drive = state.drives.get(runner.id);
    if (!drive) return [];
    const plain = model(drive, crossingNote(crossesInS(runner)));
    const pass = seen.findLast(({ passed, lap }) => passed === runner.id && lap >= 1);
    return [
      {
        ...plain,
        counts: countWords(drive),
        differ: countsDiffer(drive.count, state.timeS),
        spoiled: drive.spoiled.has(plain.done + 1),
        passed: pass && {
          lap: pass.lap,
          words: `passed by ${passing(pass.passing)}`,
        },
        delays: delaysOf(context, state, runner),
        extraDelays: delaysOf(context, state, runner, 1),
        asked: drive.extraLapAsked && EXTRA_LAP_WORDS[drive.extraLapAsked.reason],
        crossings: drive.crossings.length,
        doubt: doubtWords(drive, state.timeS),
      },
    ];
  });
  return {
    toSeat,
    queue: at('seated')
      .map((drive) => ({
        ...model(drive, outNote(occupancies.get(drive.drive.id), state)),
        held: state.cars.get(drive.car ?? '')?.heldFor,
        unchecked: view.pitExit.lastCheck.filter((item) => !drive.checked.has(item)),
        checked: view.pitExit.lastCheck.filter((item) => drive.checked.has(item)),
      }))
      .sort((a, b) => a.plannedS - b.plannedS),
    runs: runsAtExit(context, state, startOf),
    onCircuit: running,
    rollingIn: at('rollingIn').map((drive) => ({
      ...model(drive, 'rolling in'),
      wayIn: wayInWords(view, drive.car),
    })),
    standing: standingOnCircuit(state).map((drive) => ({
      ...model(drive, `since ${clockMinute(drive.standing!.sinceS)}`),
      safe: drive.standing!.safe,
      where: placeWords(shape, context.day.circuit.lapLengthM, drive.standing!.place),
    })),
    trainWaits: trainsAt(state, 'gathered').length > 0,
    vehicles: vehiclesOnCircuit(state),
    most: context.day.rules.maxCarsOnTrack,
    runsOut: [...state.sightings].map(([vehicle, { guests, instructor, sinceS, crossings }]) => ({
      ...{ vehicle, sinceS, guests: guests.length, done: crossings.length },
      name: context.schedule.index.vehicles.get(vehicle)?.name ?? vehicle,
      instructor: context.schedule.index.instructors.get(instructor)?.name ?? instructor,
      due: context.day.rules.sighting.laps,
    })),
    strays: [
      ...new Set(
        state.strays
          .filter(
            ({ car, atS }) => state.timeS - atS < STRAY_SHOWN_S && !runners.some(({ vehicle }) => vehicle === car),
          )
          .map(({ car, atS }) => `Car ${numberOf(car) ?? car} crossed the line at ${clockMinute(atS)}, not let out`),
      ),
    ],
  };
}

/**
 * "Then car 4 passes it on lap 3 near Slip": the first two passes to come, in words, and how many more are expected.
 *
 * @param expected how many are expected, as advice and strip have it: so many are named or counted, and no others
 * @param called what the vehicles on the circuit are called, by runner
 */
export function passWords(
  ahead: readonly Pass[],
  expected: number,
  first: string,
  called: ReadonlyMap<string, string>,
  shape: LapShape,
): string {
  const label = (id: string) => called.get(id) ?? 'another';
  const words = ahead.slice(0, Math.min(2, expected)).map(({ passing, passed, passingLap, passedLap, timeShare }) => {
    const corner = shape.cornerAt(shape.placeAt(timeShare));
    const near = corner === undefined ? '' : ` near ${corner}`;
    return passed === first
      ? `${label(passing)} passes it on lap ${passedLap}${near}`
      : `it passes ${label(passed)} on lap ${passingLap}${near}`;
  });
  const left = expected - words.length;
  const more = left > 0 ? `, and ${ahead.length < expected ? 'perhaps ' : ''}${left} more` : '';
  return words.length === 0 ? '' : `Expected then: ${words.join(', ')}${more}.`;
}

/** "near Slip, 420 m from the line"; nothing is known of a place that nobody has told. */
export function placeWords(shape: LapShape, lapLengthM: number, place: number | undefined): string {
  if (place === undefined) return 'place not told';
  const corner = shape.cornerAt(place);
  const atM = Math.round(place * lapLengthM);
  return corner ? `near ${corner}, ${atM} m from the line` : `${atM} m from the line`;
}

/** The pull-off and the way to the stall: "In at the anchor board, second lane, stall 9". */
export function wayInWords({ stalls, pitExit }: Pick<View, 'stalls' | 'pitExit'>, car: string | undefined): string {
  const stall = car === undefined ? undefined : stalls[car];
  return [pitExit.wayIn ?? 'In at the pull-off', ...(stall === undefined ? [] : [`stall ${stall}`])].join(', ');
}

/** Sighting runs that are due soon and of whose guests somebody is there. */
function runsAtExit(
  { schedule }: DayContext,
  state: DayState,
  startOf: (occupancy: PersonOccupancy) => Start,
): WaitingRun[] {
  return schedule.sightings.flatMap((run, place): WaitingRun[] => {
    const start = startOf(run);
    const guests = run.guests.flatMap(({ id }) => state.guests.get(id) ?? []);
    const wanted = guests.filter(({ sighted, heldBy, gone }) => !sighted && heldBy !== 'sighting' && !gone);
    const ready = wanted.filter(({ stage }) => stage === 'briefed').map(({ guest }) => guest.id);
    const { vehicle, instructor } = run.sighting;
    const due = start.atS < state.timeS + RUN_AHEAD_S && !state.sightings.has(vehicle);
    if (!due || ready.length === 0) return [];
    const own = { place, vehicle, name: run.vehicle?.name ?? vehicle, ready, missing: wanted.length - ready.length };
    return [
      {
        ...own,
        instructor: run.instructor?.name ?? instructor,
        instructorId: instructor,
        note: seatNote(start, state),
      },
    ];
  });
}

/** What the advice goes by besides who waits. */
export interface ExitNow {
  readonly context: DayContext;
  readonly state: DayState;
  readonly drift: Drift | undefined;
  readonly runners: readonly Runner[];
  readonly shape: LapShape;
}

/** When to let out who comes first in a queue. */
export function queueAdvice(queue: readonly PitDrive[], now: ExitNow): QueueAdvice | undefined {
  const { context, state, drift, runners, shape } = now;
  const [first, second] = queue.flatMap(({ id }) => {
    const drive = state.drives.get(id);
    return drive ? [waitingDrive(context, drive, drift ? slackOf(context, drift, keyOf.drive(id)) : 0)] : [];
  });
  if (!first) return undefined;
  const limits = exitLimits(context, state, queue.length);
  const advice = releaseAdvice(first, runners, limits, shape);
  const saves = second ? swapSaves([first, second], runners, limits, shape) : 0;
  const swap = second && saves >= SWAP_FROM ? { id: second.id, number: queue[1]!.number, saves } : undefined;
  return { advice, swap };
}

/** When to let a sighting run out, as one more in a queue of so many. */
export function runAdvice({ place }: WaitingRun, queue: number, now: ExitNow): ReleaseAdvice | undefined {
  const { context, state, drift, runners, shape } = now;
  const run = context.schedule.sightings[place];
  if (!run) return undefined;
  const slackS = drift ? slackOf(context, drift, keyOf.sighting(place)) : 0;
  const waiting = waitingRun(context, run, state.timeS, slackS);
  return releaseAdvice(waiting, runners, exitLimits(context, state, queue + 1), shape);
}

/** Whether the guest stands ready for this drive: nothing else comes before it. */
function isNext(state: DayState, occupancy: DriveOccupancy): boolean {
  const drive = state.drives.get(occupancy.planned.drive);
  const guest = occupancy.guests[0] && state.guests.get(occupancy.guests[0].id);
  if (drive?.stage !== 'planned' || !guest) return false;
  return guest.stage === 'waiting' || guest.stage === 'seen' || guest.stage === 'debriefed';
}

function seatNote(start: Start, state: DayState): string {
  if (start.atS > state.timeS) return `seat at ${startWords(start)}`;
  return `${spokenDuration(state.timeS - start.acceptedS)} behind the plan`;
}

function outNote(occupancy: DriveOccupancy | undefined, state: DayState): string {
  if (!occupancy) return '';
  const inS = occupancy.releaseS - state.timeS;
  return inS > 0 ? `planned out in ${spokenDuration(inS)}` : `${spokenDuration(-inS)} behind the plan`;
}

function crossingNote(inS: number): string {
  return inS >= 0 ? `in about ${Math.round(inS)} s` : `expected ${Math.round(-inS)} s ago`;
}

function countWords({ count }: DriveState): string {
  const { loop, hand } = count;
  const stopped = hasStopped(count);
  if (stopped)
    return stopped === 'hand' ? `loop ${loop}, hand stopped at ${hand}` : `hand ${hand}, loop stopped at ${loop}`;
  if (loop === undefined) return hand === undefined ? '' : `by hand ${hand}`;
  return hand === undefined ? `loop ${loop}` : `loop ${loop}, hand ${hand}`;
}

function doubtWords({ count: { marks } }: DriveState, nowS: number): string | undefined {
  const last = marks.findLast(({ as, atS }) => as !== 'counted' && nowS - atS < DOUBT_SHOWN_S);
  if (!last || last.as === 'settled') return undefined;
  if (last.as === 'missed') return 'The loop has probably missed a crossing';
  return last.source === 'loop' ? 'The loop saw a crossing twice: counted once' : 'Counted twice by hand: one lap';
}
