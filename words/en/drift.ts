import { clockMinute, spokenDuration } from '@core/values';
import type { Activity } from '@core/day';
import type { DriftCause, DriftLine, RepairChange } from '@core/live/drift';
import { tell, type ByCode } from '../by-code';
import { lapsText } from './terms';
import type { Names } from '../names';
import type { Words } from '../words';

/** "3 min 40 s", and from ten minutes on no seconds. */
function lateWords(byS: number): string {
  return spokenDuration(byS < 600 ? byS : Math.round(byS / 60) * 60);
}

export function driftCauseWords(names: Names): Words['driftCause'] {
  const { guest, car, instructor, vehicle, group } = names;
  const what = (activity: Activity): string => {
    switch (activity.kind) {
      case 'drive':
        return `${car(activity.car)} with ${activity.guest === undefined ? activity.drive : guest(activity.guest)}`;
      case 'sighting':
        return `The sighting run in ${vehicle(activity.vehicle)}`;
      case 'briefing':
        return `The class of ${instructor(activity.instructor)}`;
      case 'group':
        return group(activity.group);
      case 'refuel':
        return `Refuelling ${car(activity.car)}`;
    }
  };
  const sentences: ByCode<DriftCause> = {
    cameInLate: ({ subjects, values }) => `${what(subjects.activity)} came in ${lateWords(values.byS)} late`,
    runsLate: ({ subjects, values }) => `${what(subjects.activity)} runs ${lateWords(values.byS)} late`,
    overLate: ({ subjects, values }) => `${what(subjects.activity)} ended ${lateWords(values.byS)} late`,
    lapsAdded: ({ subjects, values }) =>
      `${what(subjects.activity)} has laps more than planned, ${lateWords(values.byS)} longer`,
    notBegun: ({ subjects, values }) =>
      `${what(subjects.activity)} could begin and has not, ${lateWords(values.byS)} after its time`,
    guestNotHere: ({ subjects, values }) =>
      `${guest(subjects.guest)} is not here; booked for ${clockMinute(values.sinceS)}`,
    carOut: ({ subjects, values }) =>
      `${car(subjects.car)} is out: ${values.reason}${values.backAtS === undefined ? '' : `, back at ${clockMinute(values.backAtS)}`}`,
    crewOff: ({ subjects }) => `${instructor(subjects.instructor)} is off`,
    guestUnwell: ({ subjects }) => `${guest(subjects.guest)} is unwell`,
    missedClass: ({ subjects }) => `${guest(subjects.guest)} was in no class, and the plan has none before the drive`,
    missedRun: ({ subjects }) =>
      `${guest(subjects.guest)} was on no sighting run, and the plan has none before the drive`,
    noGuestThere: ({ subjects }) => `Nobody is there of those with whom ${guest(subjects.guest)} was to be`,
    circuitShut: () => 'Nobody is let out onto the circuit',
  };
  return (cause) => tell(sentences, cause);
}

export function repairOptionWords({ guest, car, instructor }: Names): Words['repairOption'] {
  const sentences: ByCode<RepairChange> = {
    fewerLaps: ({ subjects, values }) =>
      `${guest(subjects.guest)} drives ${lapsText(values.laps)}, if that is all right`,
    otherCar: ({ subjects }) => `${guest(subjects.guest)} in ${car(subjects.car)}`,
    otherCrew: ({ subjects }) => `${guest(subjects.guest)} with ${instructor(subjects.instructor)}`,
    closeLater: ({ values }) => `close at ${clockMinute(values.to)}`,
  };
  return (change) => tell(sentences, change);
}

/** "4 drives and 1 class begin 2 to 5 min later, 2 drives can't take place as planned". */
export function driftEffectWords({ later, stuck }: Pick<DriftLine, 'later' | 'stuck'>): string {
  const minutes = later.map(({ lateS }) => Math.max(1, Math.round(lateS / 60)));
  const [least, most] = [Math.min(...minutes), Math.max(...minutes)];
  const by = least === most ? `${most} min` : `${least} to ${most} min`;
  const parts = [
    later.length > 0 && `${countedWords(later)} ${later.length === 1 ? 'begins' : 'begin'} ${by} later`,
    stuck.length > 0 && `${countedWords(stuck)} can’t take place as planned`,
  ];
  return parts.filter((part) => part !== false).join(', ');
}

const COUNTED = [
  ['drive', 'drive', 'drives'],
  ['briefing', 'class', 'classes'],
  ['sighting', 'sighting run', 'sighting runs'],
  ['refuel', 'refuel', 'refuels'],
] as const;

function countedWords(of: DriftLine['later'] | DriftLine['stuck']): string {
  const kinds = of.map(({ occupancy }) => occupancy.kind);
  const parts = COUNTED.flatMap(([kind, one, more]) => {
    const count = kinds.filter((other) => other === kind).length;
    return count > 0 ? [`${count} ${count > 1 ? more : one}`] : [];
  });
  return parts.length > 1 ? `${parts.slice(0, -1).join(', ')} and ${parts.at(-1)}` : (parts[0] ?? '');
}
