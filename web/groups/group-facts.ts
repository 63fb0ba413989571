import type { DayView } from '@core/api';
import {
  CIRCUIT,
  clockMinute,
  outingAt,
  spokenDuration,
  vehiclesOf,
  type Day,
  type Group,
  type GroupOccupancy,
  type GroupRole,
} from '@core/day';
import type { DayContext } from '@core/journal';
import { adviceFor, outingS, partsOf, spacingOf, trainsBeside, type ProgrammeKind } from '@core/programmes';
import { colourName, groupAdviceWords, partWords, ROLE_WORDS } from '@core/words';
import { carLabel } from '../data/names';

/** A group as people read it: who, where, when, with what, how long and why. */
export interface GroupFacts {
  readonly id: string;
  readonly name: string;
  readonly kind: ProgrammeKind;
  readonly where: string;
  /** Planned; nothing where it has no place. */
  readonly planned: GroupOccupancy | undefined;
  readonly when: string;
  readonly members: readonly GroupMember[];
  readonly leadCar: string | undefined;
  /** Cars that nobody in particular has. */
  readonly sharedCars: readonly string[];
  readonly crew: readonly { readonly role: string; readonly who: string }[];
  readonly parts: readonly string[];
  readonly lasts: string;
  readonly advice: readonly string[];
}

export interface GroupMember {
  readonly id: string;
  readonly name: string;
  readonly first: string;
  readonly car: string | undefined;
  readonly carLabel: string;
  /** As it is drawn, and as it is called. */
  readonly colour: string | undefined;
  readonly colourName: string | undefined;
}

/** Of a lap, m/s, for distances said in lengths of a car. */
export const ORDINARY_SPEEDS = { slowestMps: 15, fastestMps: 40 };

export const KIND_WORDS: Readonly<Record<ProgrammeKind, string>> = {
  follow: 'Follow the leader',
  throttle: 'Oval, by steps of throttle',
  lowGrip: 'Low grip',
};

export function firstName(name: string): string {
  return name.trim().split(/\s+/)[0] ?? name;
}

type View = Pick<DayView, 'carNumbers' | 'carColours' | 'day'>;

/** @param carOf the car that a guest has now, where that is known otherwise than by the plan */
export function groupFacts(
  { schedule, day }: DayContext,
  view: View,
  group: Group,
  carOf: (guest: string, place: number) => string | undefined = () => undefined,
): GroupFacts {
  const { index } = schedule;
  const planned = schedule.groups.find((one) => one.planned.group === group.id);
  const inTrain = group.programme.kind === 'follow';
  const outing = outingAt(day, index, group, planned?.releaseS ?? day.opens);
  const there = group.cars.filter((id) => index.cars.has(id)).length;
  const colourOf = (car: string | undefined) => (car === undefined ? undefined : view.carColours[car]);
  return {
    id: group.id,
    name: group.name,
    kind: group.programme.kind,
    where: group.surface === CIRCUIT ? day.circuit.name : (index.surfaces.get(group.surface)?.name ?? group.surface),
    planned,
    when: planned
      ? `${clockMinute(planned.startS)} to ${clockMinute(planned.endS)}, out at ${clockMinute(planned.releaseS)}`
      : 'has no place in the plan',
    members: group.members.map((id, place): GroupMember => {
      const name = index.guests.get(id)?.name ?? id;
      const car = carOf(id, place) ?? (inTrain ? planned?.planned.cars[place] : undefined);
      const colour = colourOf(car);
      return {
        ...{ id, name, first: firstName(name), car, colour },
        carLabel: car === undefined ? '' : carLabel(view, car),
        colourName: colour && colourName(colour),
      };
    }),
    leadCar: planned?.planned.leadCar && carLabel(view, planned.planned.leadCar),
    sharedCars: inTrain ? [] : (planned?.planned.cars ?? []).map((id) => carLabel(view, id)),
    crew: crewWords(group, planned),
    parts: partsOf(outing)
      .filter(({ times }) => times > 0)
      .map(partWords),
    lasts: spokenDuration(outingS(outing)),
    advice: [...adviceFor(group, there).map(groupAdviceWords), ...besideWords(day, group, outing.slowestLapS)],
  };
}

/** How many trains like this may be out at once, at the distances of its start. */
function besideWords({ rules }: Day, group: Group, lapS: number): string[] {
  const { programme } = group;
  if (programme.kind !== 'follow' || lapS <= 0) return [];
  const ofTrain = vehiclesOf(group);
  const { trainM } = spacingOf(programme, 'start', ofTrain, ORDINARY_SPEEDS);
  const { trains, singlesBeside } = trainsBeside(
    { lapS, trainS: trainM / ORDINARY_SPEEDS.slowestMps, gapS: rules.releaseGapS },
    { onCircuit: rules.maxCarsOnTrack, ofTrain },
  );
  const fit = trains === 1 ? 'One train like this fits' : `${trains} trains like this fit`;
  const beside = ['no single car', '1 single car'][singlesBeside] ?? `${singlesBeside} single cars`;
  return trains === 0 ? [] : [`${fit} on the circuit at a time, with ${beside} beside.`];
}

function crewWords({ roles }: Group, planned: GroupOccupancy | undefined): GroupFacts['crew'] {
  const title = (role: GroupRole) => ROLE_WORDS[role].charAt(0).toUpperCase() + ROLE_WORDS[role].slice(1);
  if (planned) return planned.crew.map(({ role, instructor }) => ({ role: title(role), who: instructor.name }));
  return roles.map(({ role, count }) => ({ role: title(role), who: `${count}, not planned yet` }));
}
