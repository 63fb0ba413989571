import { GOOD_THINGS } from '@core/people/coaching';
import type { DriveOccupancy } from '@core/day';
import type { DriveState } from '@core/journal';
import { FORGOTTEN, MARKED, NOTICED_AFTER_S, PARK_S, TURNAROUND, WALK_S, WRAP_UP } from './chance';
import { isFree, isHere } from './order';
import type { Deed, Scene } from './scene';

const pickBy = <T>(list: readonly T[], share: number): T => list[Math.floor(share * list.length)]!;

/** Guests are seated, cars parked, drives marked and debriefed. */
export function* atCars(scene: Scene, corners: readonly string[]): Iterable<Deed> {
  for (const activity of scene.turns()) if (activity.kind === 'drive') yield* seats(scene, activity);
  for (const drive of scene.state.drives.values()) yield* after(scene, drive, corners);
}

function* seats(scene: Scene, { planned, instructor, guests, drive: booked }: DriveOccupancy): Iterable<Deed> {
  const { state, context, nowS, ripe, between } = scene;
  const { drive, car } = planned;
  const { rules } = context.day;
  const key = `seat ${drive}`;
  const carState = state.cars.get(car);
  const turnS = rules.turnaroundS * between(`turn ${drive}`, TURNAROUND);
  const carThere =
    carState !== undefined &&
    carState.drive === undefined &&
    carState.group === undefined &&
    carState.heldFor === undefined &&
    !carState.refuelling &&
    (carState.parkedS === undefined || nowS >= carState.parkedS + turnS);
  const guestThere = guests.every(({ id }) => {
    const freeS = state.guests.get(id)?.freeSinceS;
    const { briefed, sighted } = state.guests.get(id)!;
    return (
      isHere(state, id) &&
      isFree(state, id) &&
      (booked?.ride !== undefined || (briefed && sighted)) &&
      (freeS === undefined || nowS >= freeS + rules.guestRestS)
    );
  });
  const crewThere = state.crew.get(planned.instructor)?.busyWith === undefined;
  if (!ripe(key, carThere && guestThere && crewThere, between(key, WALK_S))) return;
  const by = instructor?.name ?? 'Instructor';
  // The card of this guest is read on the way to the car.
  if (!state.drives.get(drive)?.handoverSeenBy) yield { by, fields: { kind: 'handoverSeen', drive } };
  yield { by, fields: { kind: 'seated', drive, car, instructor: planned.instructor } };
}

function* after(scene: Scene, it: DriveState, corners: readonly string[]): Iterable<Deed> {
  const { state, context, nowS, ripe, between, draw } = scene;
  const drive = it.drive.id;
  const by = state.crew.get(it.instructor ?? '')?.instructor.name ?? 'Instructor';
  const own = { by } as const;
  if (it.stage === 'rollingIn') {
    if (ripe(`park ${drive}`, true, between(`park ${drive}`, PARK_S)))
      yield { ...own, fields: { kind: 'parked', drive } };
    return;
  }
  if (it.stage !== 'parked' || it.inS === undefined) return;
  const endS = it.inS + context.day.rules.wrapUpS * between(`wrap ${drive}`, WRAP_UP);
  // Who rode beside has made no mistakes.
  const toMark = it.drive.ride === undefined && it.marked.length === 0;
  if (toMark && nowS >= it.inS + (endS - it.inS) / 2) {
    const corner = corners.length > 0 ? { corner: pickBy(corners, draw(`corner ${drive}`)) } : {};
    const marks = [{ fault: pickBy(MARKED, draw(`fault ${drive}`)), ...corner }];
    yield { ...own, fields: { kind: 'driveMarked', drive, marks, good: pickBy(GOOD_THINGS, draw(`good ${drive}`)) } };
  }
  const forgotten = draw(`forgets ${drive}`) < FORGOTTEN.debrief ? NOTICED_AFTER_S : 0;
  if (nowS >= endS + forgotten) yield { ...own, fields: { kind: 'debriefed', drive } };
}
