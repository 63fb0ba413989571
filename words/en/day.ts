import { clockMinute, wallClock } from '@core/values';
import type { SlipFact } from '@core/day';
import type { LegendFault, LegendWarning, OmittedReason } from '@core/track/circuit';
import type { CloseFigure, ToDo } from '@core/venue/closing';
import type { CueFault, MarkReason, OneThing } from '@core/people/coaching';
import type { Delay } from '@core/live/traffic';
import { tell, type ByCode } from '../by-code';
import type { Names } from '../names';
import { gapWords } from './roster';
import { CONE_WORDS, lookWords } from './terms';
import type { Words } from '../words';

export function delayWords({ guest, group }: Names): Words['delay'] {
  const sentences: ByCode<Delay> = {
    nextInCar: ({ subjects }) => `next in this car, ${guest(subjects.guest)}`,
    crewsNext: ({ subjects: { activity } }) => {
      switch (activity.kind) {
        case 'briefing':
          return 'instructor’s next, the next class';
        case 'sighting':
          return 'instructor’s next, the next sighting run';
        case 'drive':
          return `instructor’s next, ${activity.guest === undefined ? activity.drive : guest(activity.guest)}`;
        case 'group':
          return `instructor’s next, ${group(activity.group)}`;
        case 'refuel':
          return `refuelling at ${clockMinute(activity.startS)}`;
      }
    },
    guestsNext: ({ subjects }) => `${guest(subjects.guest)}’s next drive`,
  };
  return (delay) => `${tell(sentences, delay)}: ${Math.max(1, Math.round(delay.values.byS / 60))} min later`;
}

export function slipWords(slip: SlipFact, of: 'file' | 'venue'): string {
  const where = of === 'file' ? 'in this file' : 'at this venue';
  const sentences: ByCode<SlipFact> = {
    noSuchCar: ({ subjects }) => `no car "${subjects.car}" ${where}`,
    noSuchInstructor: ({ subjects }) => `no instructor "${subjects.instructor}" ${where}`,
    noSuchGuest: ({ subjects }) => `no other guest "${subjects.guest}" on this day`,
    noSuchSurface: ({ subjects }) => `no surface "${subjects.surface}" ${where}`,
    leavesFirst: ({ values: { leavesS, arrivesS } }) =>
      `leaves at ${wallClock(leavesS)}, before arriving at ${wallClock(arrivesS)}`,
  };
  return tell(sentences, slip);
}

export function omittedWords(reason: OmittedReason): string {
  const sentences: ByCode<OmittedReason> = {
    notMarked: ({ values }) => `this venue marks no ${CONE_WORDS[values.kind]}`,
    brakesThere: ({ values }) => `it is one place with the brake cone of ${values.next}`,
    brakesBefore: ({ values }) => `braking for ${values.next} begins before it`,
    takenAway: ({ values }) => `taken away: ${values.note || 'no reason given'}`,
    shortStraight: ({ values: { inside } }) => `short straight: stay ${inside}, next turn-in is ${inside}`,
  };
  return tell(sentences, reason);
}

export function cueFaultWords(fault: CueFault): string {
  const sentences: ByCode<CueFault> = {
    namesColour: ({ values: { word } }) =>
      `"${word}" is a colour: say {brake}, {turnIn}, {apex} or {exit}, and the legend names what stands there`,
    namesMarker: ({ values: { word } }) =>
      `"${word}" says what stands at the road: say {brake}, {turnIn}, {apex} or {exit}, and the legend names it`,
    ordersOtherwise: ({ values: { word } }) => `"${word}" orders something else on the circuit: say it another way`,
    noSuchPlace: ({ values: { word } }) => `{${word}} is no place: there are {brake}, {turnIn}, {apex} and {exit}`,
  };
  return tell(sentences, fault);
}

export function legendFaultWords({ values: { kinds, marker } }: LegendFault): string {
  const [one, other] = kinds;
  return `${lookWords(marker)} would mean both ${CONE_WORDS[one]} and ${CONE_WORDS[other]}: give one of them another colour, number or pattern`;
}

export function legendWarningWords({ values: { kind, becomes, marker } }: LegendWarning): string {
  return `where one cone falls over, ${lookWords(marker)} (${CONE_WORDS[kind]}) looks like ${CONE_WORDS[becomes]}`;
}

export function markReasonWords(): Words['markReason'] {
  const far = ({ metres, within }: { readonly metres: number; readonly within: number }) =>
    `${Math.round(metres)} m, give or take ${Math.ceil(within)}`;
  const sentences: ByCode<MarkReason> = {
    brakesBeforeCone: ({ values }) => `brakes ${far(values)}, before the cone`,
    brakesPastCone: ({ values }) => `brakes ${far(values)}, past the cone`,
    quickerBeforeApex: ({ values }) => `quicker again ${far(values)}, before the apex`,
    outsideAtApex: ({ values }) => `${far(values)}, outside of the line at the apex`,
    unusedAtExit: ({ values }) => `${far(values)}, of road unused at the exit`,
    beyondAtExit: ({ values }) => `${far(values)}, beyond the line at the exit`,
    slow: ({ values }) => `${Math.round(values.kmh)} km/h at the slowest, ${Math.round(values.wouldDoKmh)} would do`,
  };
  return (reason) => tell(sentences, reason);
}

/** Why this one thing and not another. */
export function oneThingWords({ corners, everywhere, repeated, causes }: OneThing): string {
  const where = corners.length > 0 ? ` at ${corners.join(', ')}` : everywhere ? ' everywhere' : '';
  const reasons = [
    `seen${where}`,
    ...(repeated ? ['in the drive before too'] : []),
    ...(causes ? [`the cause of "${causes.name.toLowerCase()}"`] : []),
  ];
  return `${reasons.join(', ')}.`;
}

export function toDoWords(names: Names): Words['toDo'] {
  const { guest, car } = names;
  const sentences: ByCode<ToDo> = {
    lapsOwed: ({ subjects, values: { laps } }) =>
      `${laps} ${laps === 1 ? 'lap is' : 'laps are'} owed to ${guest(subjects.guest)}.`,
    outOfService: ({ subjects, values }) => `${car(subjects.car)} is out of service: ${values.reason}.`,
    faultOpen: ({ subjects, values }) => `${car(subjects.car)}: ${values.where}, ${values.what}.`,
    needsFuel: ({ subjects }) => `${car(subjects.car)} needs fuel.`,
    coneDoubted: ({ values }) => `Cone ${values.cone}: ${values.doubt}.`,
    balancesDue: ({ values: { guests } }) => `${guests} ${guests === 1 ? 'guest has' : 'guests have'} a balance due.`,
    followUp: ({ values: { text } }) => (text.endsWith('.') ? text : `${text}.`),
    skillGap: ({ values: { gap, crew } }) =>
      gapWords({ ...names, instructor: (id) => crew[id] ?? names.instructor(id) })(gap),
  };
  return (toDo) => tell(sentences, toDo);
}

export const FIGURES: Record<CloseFigure['key'], string> = {
  drivesSold: 'Drives sold',
  drivesDone: 'Drives done',
  lapsDriven: 'Laps driven',
  lapsOwed: 'Laps owed',
  guests: 'Guests who came',
  noShows: 'No-shows',
  carsUsed: 'Cars used',
  crewHours: 'Instructors with guests',
  waitMedian: 'Waiting, median',
  wait90: 'Waiting, nine of ten under',
  waitWorst: 'Waiting, worst',
  waitBeyond: 'Waiting beyond the plan, worst',
  incidents: 'Incidents',
  interventions: 'Instructors had to brake or steer',
  faultsOpen: 'Faults open',
  fuelUsed: 'Fuel used by laps',
  moneyTaken: 'Taken',
  moneyDue: 'Due',
  moneyCash: 'Taken in cash',
  moneyCard: 'Taken by card',
  moneyVoucher: 'Taken as vouchers',
};
