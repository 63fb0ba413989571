import type { venueFields } from '@core/venue/settings';
import { gateQuestion } from '@core/venue/booking';
import { GATE_QUESTION_WORDS } from '@words';
import type * as z from 'zod';
import { formOf, type Option } from '../../../shared/forms/fields';

type Venue = z.input<typeof venueFields>;
/** Weights are set on the board, under what matters; how calls are said, beside the calls. */
type RulesForm = Omit<Venue, 'rules' | 'coaching'> & {
  readonly rules: Omit<Venue['rules'], 'weights'>;
  readonly coaching: Omit<NonNullable<Venue['coaching']>, 'calls'>;
};

/** Every zone that there is, as places: `Atlantic, Faroe`. */
function timeZones(): Option[] {
  const zones = new Set([...Intl.supportedValuesOf('timeZone'), 'UTC']);
  return [...zones].map((value) => ({ value, label: value.replaceAll('/', ', ').replaceAll('_', ' ') }));
}

/** Every currency in use, by code and name. */
function currencies(): Option[] {
  const names = new Intl.DisplayNames('en', { type: 'currency' });
  return Intl.supportedValuesOf('currency').map((value) => ({ value, label: `${value}, ${names.of(value) ?? value}` }));
}

/** The fields of the venue and its rules, as the form shows them. */
export const RULES_FIELDS = formOf<RulesForm>({
  // Entered under class and sighting run, and in the first steps.
  sightingVehicles: 'notHere',
  // Kept from a group that is as new ones shall be.
  programmes: 'notHere',
  // Entered where groups are.
  surfaces: 'notHere',
  'introduction.class': 'notHere',
  'introduction.circuit': 'notHere',
  'introduction.assumed': 'notHere',
  putOff: 'notHere',
  // Entered on a screen of its own.
  'calendar.weekStartsOn': 'notHere',
  'calendar.patterns': 'notHere',
  'calendar.closed': 'notHere',
  // Entered as what happened.
  'condition.changes': 'notHere',
  name: { label: 'Venue', kind: 'text', group: 'Venue' },
  timeZone: { label: 'Time zone', kind: 'choice', options: timeZones() },
  currency: { label: 'Currency', kind: 'choice', options: currencies() },
  opens: { label: 'Opens', kind: 'time' },
  closes: { label: 'Closes', kind: 'time' },
  'condition.name': { label: 'Condition at the start of a day', kind: 'text' },
  'condition.paceFactor': { label: 'Lap times ×', kind: 'number', decimals: 3, hint: 'damp: 1.08, wet: 1.15, say' },
  'circuit.name': { label: 'Circuit', kind: 'text', group: 'Circuit' },
  'circuit.lapLengthM': { label: 'Lap', unit: 'm', kind: 'number', decimals: 1 },
  'circuit.endsBeforeLine': {
    label: 'The last lap ends at the way in, before the line',
    kind: 'yes',
    whenAbsent: false,
  },
  'circuit.closures': { label: 'Closed', kind: 'windows', hint: 'such as 12:30–13:00 quiet half-hour' },
  'rules.maxCarsOnTrack': {
    label: 'Cars at once',
    kind: 'number',
    sentence: ['At most', 'cars are on the circuit at once'],
  },
  'rules.releaseGapS': {
    label: 'Between two releases',
    kind: 'duration',
    sentence: ['Between two releases are at least', ''],
  },
  'rules.firstLapFactor': {
    label: 'First lap ×',
    kind: 'number',
    decimals: 3,
    optional: true,
    sentence: ['The first lap takes', 'times as long as the others'],
  },
  'rules.outLapCounts': { label: 'The lap out of the pits counts', kind: 'yes', whenAbsent: true },
  'gate.asks': {
    label: 'Asked at the gate',
    kind: 'many',
    group: 'Gate',
    wide: true,
    options: gateQuestion.options.map((value) => ({ value, label: GATE_QUESTION_WORDS[value] })),
  },
  'gate.own': {
    label: 'Own questions',
    kind: 'list',
    wide: true,
    hint: 'answered by yes or no, with commas',
  },
  'rules.flagLapsGranted': {
    label: 'A lap spoiled by a flag is given again',
    kind: 'yes',
    whenAbsent: false,
  },
  'pitExit.lastCheck': {
    label: 'Last check',
    kind: 'list',
    group: 'Pit exit',
    wide: true,
    hint: 'what is looked at before a car is let out, with commas',
  },
  'pitExit.wayIn': {
    label: 'The way in',
    kind: 'text',
    optional: true,
    wide: true,
    hint: 'such as: In behind the boat shed, second lane',
  },
  'coaching.braking': {
    label: 'Braking',
    kind: 'choice',
    group: 'How people are taught',
    options: [
      { label: 'finished in a straight line', value: 'straight' },
      { label: 'trailed off into the turn', value: 'trailed' },
    ],
  },
  'coaching.throttle': {
    label: 'Throttle in mid-corner',
    kind: 'choice',
    options: [
      { label: 'none until the wheel unwinds', value: 'none' },
      { label: 'a light one', value: 'maintenance' },
    ],
  },
  'coaching.passing': {
    label: 'Passing',
    kind: 'choice',
    options: [
      { label: 'where the corner book names it', value: 'named' },
      { label: 'on any straight', value: 'straights' },
      { label: 'where the instructors agree', value: 'signals' },
    ],
  },
  'coaching.speechS': { label: 'Saying a call takes', unit: 's', kind: 'number', decimals: 2 },
  'coaching.reactionS': { label: 'Acting on it takes', unit: 's', kind: 'number', decimals: 2 },
  'coaching.closestFollowS': {
    label: 'A train’s cars at least',
    unit: 's',
    kind: 'number',
    decimals: 1,
    optional: true,
    hint: 'apart; closer is warned about',
  },
  'coaching.quietFromLap': {
    label: 'Quiet from lap',
    kind: 'number',
    optional: true,
    hint: 'but where a corner is marked',
  },
  'coaching.shiftsWithinS': {
    label: 'Fewest shifts a lap within',
    unit: 's',
    kind: 'number',
    decimals: 1,
    optional: true,
    hint: 'of the lap in the gears that give the most',
  },
  'coaching.gearsOut': { label: 'Gears not for guests', kind: 'numbers', optional: true, hint: 'with commas' },
  'coaching.talk': {
    label: 'Seen to in the car',
    kind: 'list',
    wide: true,
    optional: true,
    hint: 'before it rolls, in order, with commas',
  },
  'coaching.lock': {
    label: 'Wheels parked to the',
    kind: 'choice',
    options: [
      { label: 'left', value: 'left' },
      { label: 'right', value: 'right' },
    ],
  },
  'coaching.parkedIn': {
    label: 'Parked in',
    kind: 'choice',
    options: [
      { label: 'neutral', value: 'neutral' },
      { label: 'park', value: 'park' },
    ],
  },
  'coaching.walkRound': { label: 'On the way round a car', kind: 'list', wide: true, hint: 'with commas' },
  'live.slidesUpToMin': {
    label: 'Times follow by themselves up to',
    unit: 'min',
    kind: 'number',
    group: 'While the day runs',
    hint: 'later than accepted; beyond that somebody decides',
    sentence: ['Times follow by themselves up to', 'minutes later than accepted; beyond that somebody decides'],
  },
  'rules.setUpS': {
    label: 'Set-up',
    kind: 'duration',
    group: 'A drive',
    sentence: ['Before it is let out, a car with its guest is set up for', ''],
  },
  'rules.wrapUpS': {
    label: 'Wrap-up',
    kind: 'duration',
    sentence: ['After the last lap, guest and instructor need', ''],
  },
  'rules.turnaroundS': {
    label: 'Turnaround of the car',
    kind: 'duration',
    sentence: ['Between two guests, a car stands for', ''],
  },
  'rules.guestRestS': {
    label: 'Guest’s rest',
    kind: 'duration',
    sentence: ['A guest rests for', 'between two drives'],
  },
  'rules.refuelBays': { label: 'Refuel bays', kind: 'number', sentence: ['', 'cars are refuelled at once'] },
  'rules.briefing.durationS': {
    label: 'Class takes',
    kind: 'duration',
    group: 'Class and sighting run',
    sentence: ['A class takes', ''],
  },
  'rules.briefing.seats': { label: 'Seats in the class', kind: 'number', sentence: ['', 'guests sit in a class'] },
  'rules.briefing.rooms': { label: 'Rooms', kind: 'number', sentence: ['', 'classes are held at once'] },
  'rules.sighting.laps': { label: 'Laps of a sighting run', kind: 'number', sentence: ['A sighting run is', 'laps'] },
  'rules.sighting.setUpS': {
    label: 'Its set-up',
    kind: 'duration',
    sentence: ['Before a sighting run, getting in takes', ''],
  },
  'rules.sighting.wrapUpS': { label: 'Its wrap-up', kind: 'duration', sentence: ['After it, getting out takes', ''] },
  'rules.rides.setUpS': {
    label: 'Getting in for a ride',
    kind: 'duration',
    optional: true,
    group: 'Rides, with an instructor at the wheel',
    sentence: ['Before a ride, getting in takes', ''],
  },
  'rules.rides.wrapUpS': {
    label: 'Getting out after it',
    kind: 'duration',
    optional: true,
    sentence: ['After it, getting out takes', ''],
  },
  'rules.rides.mostBeside': {
    label: 'Other vehicles out beside a ride',
    kind: 'number',
    optional: true,
    sentence: ['A ride runs with at most', 'other vehicles on the circuit'],
  },
  'rules.rides.only': {
    label: 'Rides only at these times',
    kind: 'windows',
    optional: true,
    wide: true,
    sentence: ['Rides run only', ''],
  },
  'paces.first': {
    label: 'First time ×',
    kind: 'number',
    decimals: 3,
    group: 'Guest’s pace',
    sentence: ['Who drives for the first time takes', 'times the lap time of the car'],
  },
  'paces.before': {
    label: 'Been before ×',
    kind: 'number',
    decimals: 3,
    sentence: ['Who has been here before takes', 'times the lap time of the car'],
  },
  'paces.quick': {
    label: 'Quick ×',
    kind: 'number',
    decimals: 3,
    sentence: ['Who is quick takes', 'times the lap time of the car'],
  },
});
