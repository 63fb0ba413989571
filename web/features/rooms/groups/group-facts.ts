import type { DayView } from '@core/api';
import {
  adviceFor,
  CIRCUIT,
  type CornerAsk,
  cornerAsks,
  type FollowProgramme,
  type Group,
  type GroupRole,
  outingS,
  partsOf,
  type ProgrammeKind,
  programmeOf,
  type Spacing,
  SPACING_PHASES,
  spacingOf,
  type SpacingPhase,
  vehiclesOf,
} from '@core/programmes';
import { clockMinute, spokenDuration } from '@core/values';
import { outingAt, type Day, type GroupOccupancy } from '@core/day';
import type { DayContext } from '@core/journal';
import { lapShapeOf, lapSpeeds, trainsBeside } from '@core/live/traffic';
import { ROLE_WORDS } from '@words';
import { colourName, groupAdviceWords, partWords, SPACING_WORDS, spacingWords } from '@words/en/train';
import { carLabel } from '../../../shared/data/names';

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
  readonly crew: readonly { readonly role: GroupRole; readonly title: string; readonly who: string }[];
  readonly parts: readonly string[];
  readonly lasts: string;
  readonly advice: readonly string[];
  /** Of a train: how near its cars follow in each phase, in words, and what is asked at the corners. */
  readonly train: TrainFacts | undefined;
}

interface TrainFacts {
  readonly spacing: Readonly<Record<SpacingPhase, string>>;
  readonly asks: readonly CornerAsk[];
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

export const KIND_WORDS: Readonly<Record<ProgrammeKind, string>> = {
  follow: 'Follow the leader',
  throttle: 'Oval, by steps of throttle',
  lowGrip: 'Low grip',
};

export function firstName(name: string): string {
  return name.trim().split(/\s+/)[0] ?? name;
}

type View = Pick<DayView, 'carNumbers' | 'carColours' | 'closestFollowS' | 'day' | 'map'>;

/** @param carOf the car that a guest has now, where that is known otherwise than by the plan */
export function groupFacts(
  { schedule, day }: DayContext,
  view: View,
  group: Group,
  carOf: (guest: string, place: number) => string | undefined = () => undefined,
): GroupFacts {
  const { index } = schedule;
  const planned = schedule.groups.find((one) => one.planned.group === group.id);
  const { programme } = group;
  const follow = programmeOf('train', programme);
  const outing = outingAt(day, index, group, planned?.releaseS ?? day.opens);
  const lapS = outing.slowestLapS;
  const train = lapS > 0 ? follow : undefined;
  const apart = train ? spacings(view, train, vehiclesOf(group), lapS) : [];
  const there = group.cars.filter((id) => index.cars.has(id)).length;
  const colourOf = (car: string | undefined) => (car === undefined ? undefined : view.carColours[car]);
  return {
    id: group.id,
    name: group.name,
    kind: programme.kind,
    where: group.surface === CIRCUIT ? day.circuit.name : (index.surfaces.get(group.surface)?.name ?? group.surface),
    planned,
    when: planned
      ? `${clockMinute(planned.startS)} to ${clockMinute(planned.endS)}, out at ${clockMinute(planned.releaseS)}`
      : 'has no place in the plan',
    members: group.members.map((id, place): GroupMember => {
      const name = index.guests.get(id)?.name ?? id;
      const car = carOf(id, place) ?? (follow && planned?.planned.cars[place]);
      const colour = colourOf(car);
      return {
        ...{ id, name, first: firstName(name), car, colour },
        carLabel: car === undefined ? '' : carLabel(view, car),
        colourName: colour && colourName(colour),
      };
    }),
    leadCar: planned?.planned.leadCar && carLabel(view, planned.planned.leadCar),
    sharedCars: follow ? [] : (planned?.planned.cars ?? []).map((id) => carLabel(view, id)),
    crew: crewWords(group, planned),
    parts: partsOf(outing)
      .filter(({ times }) => times > 0)
      .map(partWords),
    lasts: spokenDuration(outingS(outing)),
    advice: [
      ...adviceFor(group, there).map(groupAdviceWords),
      ...tooCloseWords(apart, view.closestFollowS),
      ...(train ? besideWords(day, group, train, lapS) : []),
    ],
    train: train && trainFacts(apart, train, view),
  };
}

/** Distances at the speeds of this circuit: a train warms up and cools down as much slower as its programme says. */
function spacings({ map, day }: View, programme: FollowProgramme, vehicles: number, lapS: number): Spacing[] {
  const shape = lapShapeOf(map ?? undefined);
  return SPACING_PHASES.map((phase) => {
    const phaseS = phase === 'practised' ? lapS : lapS * programme.gentleFactor;
    return spacingOf(programme, phase, vehicles, lapSpeeds(shape, day.circuit.lapLengthM, phaseS));
  });
}

function trainFacts(apart: readonly Spacing[], programme: FollowProgramme, { map }: View): TrainFacts {
  const spacing = Object.fromEntries(apart.map((one) => [one.phase, spacingWords(one)]));
  return { spacing: spacing as TrainFacts['spacing'], asks: cornerAsks(programme, map?.corners ?? []) };
}

/** Where cars follow each other more closely than the venue wants. */
function tooCloseWords(apart: readonly Spacing[], closestFollowS: number): string[] {
  return apart
    .filter(({ fastestS }) => fastestS < closestFollowS)
    .map(({ phase, lengths, fastestS }) => {
      const enough = Math.ceil((lengths[0] * closestFollowS) / fastestS);
      return `Too close ${SPACING_WORDS[phase]}: ${fastestS.toFixed(1)} s from car to car at the fastest place, and the venue wants ${closestFollowS} s; that takes ${enough} lengths.`;
    });
}

/** How many trains like this may be out at once, and what a single car meets beside them. */
function besideWords(day: Day, group: Group, programme: FollowProgramme, lapS: number): string[] {
  const { trains, singlesBeside, meets } = trainsBeside(day, group, programme, lapS);
  const fit = trains === 1 ? 'One train like this fits' : `${trains} trains like this fit`;
  const beside = ['no single car', '1 single car'][singlesBeside] ?? `${singlesBeside} single cars`;
  const met = meets && `; each of those meets about ${meets.cars} cars of a train on its ${meets.laps} laps`;
  return trains === 0
    ? ['A train like this does not fit on the circuit: fewer cars in it, or more cars allowed at once (Rules).']
    : [`${fit} on the circuit at a time, with ${beside} beside${met ?? ''}.`];
}

function crewWords({ roles }: Group, planned: GroupOccupancy | undefined): GroupFacts['crew'] {
  const title = (role: GroupRole) => ROLE_WORDS[role].charAt(0).toUpperCase() + ROLE_WORDS[role].slice(1);
  if (planned) return planned.crew.map(({ role, instructor }) => ({ role, title: title(role), who: instructor.name }));
  return roles.map(({ role, count }) => ({ role, title: title(role), who: `${count}, not planned yet` }));
}
