import {
  GROUP_ROLES,
  groupFields,
  type GroupFields,
  type Preset,
  CHANGE_WAYS,
  CORNER_STEPS,
  DRIVING_AIDS,
  ORDINARY_SPACING,
  PRESETS,
  SPACING_PHASES,
  STATION_KINDS,
  type CornerStep,
  type DrivingAids,
  type ProgrammeKind,
  type SpacingPhase,
  type StationKind,
} from '@core/programmes';
import type { Json } from '@core/values';
import { lapsText, ROLE_WORDS } from '@words';
import { CORNER_STEP_WORDS, SPACING_WORDS } from '@words/en/train';
import * as z from 'zod';
import type { Field, Option } from '../../../shared/forms/fields';

/**
 * How a group is typed: roles as a number each, steps and stations as lines of text. What is typed becomes a group by the
 * schema of groups; a line that cannot be read stays as it is, for the schema to refuse it.
 */

const STEP = /^(\d{1,3})\s*%?\D+(\d{1,2})\D+(\d{1,4}(?:\.\d)?)/;
const STATION = /^(.+?):\s*(\d{1,4})\s*s?\s*(?:\(([^)]*)\))?\s*$/;
const ASK = /^(.+?):\s*(coast|brake lightly|full)(?:\s+from\s+(?:lap\s+)?(\d{1,2}))?\s*$/i;
/** "6 to 7", in lengths of a car. */
const LENGTHS = /^\s*(\d{1,2}(?:\.\d)?)\s*(?:to|-|–|bis|à|a)\s*(\d{1,2}(?:\.\d)?)\s*$/;

interface Step {
  readonly percent: number;
  readonly laps: number;
  readonly lapS: number;
}
interface Station {
  readonly name: string;
  readonly kind: StationKind;
  readonly runS: number;
  readonly aids?: DrivingAids | undefined;
}
interface Ask {
  readonly corner: string;
  readonly fromLap: number;
  readonly step: CornerStep;
}

function lengthsText([from, to]: readonly [number, number]): string {
  return `${from} to ${to}`;
}

function lengthsOf(text: unknown): unknown {
  const [, from, to] = LENGTHS.exec(String(text)) ?? [];
  return from === undefined ? text : [Number(from), Number(to)];
}

/** What is typed of the spacing, and the ordinary one for what is not; none where nothing is. */
function spacingOf(typed: Readonly<Partial<Record<SpacingPhase, unknown>>> | undefined): unknown {
  const phases = SPACING_PHASES.filter((phase) => typed?.[phase]);
  if (phases.length === 0) return undefined;
  return Object.fromEntries(
    SPACING_PHASES.map((phase) => [phase, typed?.[phase] ? lengthsOf(typed[phase]) : [...ORDINARY_SPACING[phase]]]),
  );
}

export function stepText({ percent, laps, lapS }: Step): string {
  return `${percent} %: ${lapsText(laps)} of ${lapS} s`;
}

function stepOf(text: unknown): unknown {
  const [, percent, laps, lapS] = STEP.exec(String(text)) ?? [];
  return percent === undefined ? text : { percent: Number(percent), laps: Number(laps), lapS: Number(lapS) };
}

function stationText({ name, kind, runS, aids }: Station): string {
  return `${name}: ${runS} s (${kind}${aids === undefined ? '' : `; aids ${aids}`})`;
}

function askText({ corner, fromLap, step }: Ask): string {
  return `${corner}: ${CORNER_STEP_WORDS[step]} from lap ${fromLap}`;
}

function askOf(text: unknown): unknown {
  const [, corner, word, fromLap = '1'] = ASK.exec(String(text)) ?? [];
  const step = CORNER_STEPS.find((one) => CORNER_STEP_WORDS[one] === word?.toLowerCase());
  return corner === undefined ? text : { corner, fromLap: Number(fromLap), step };
}

function stationOf(text: unknown): unknown {
  const [, name, runS, more = ''] = STATION.exec(String(text)) ?? [];
  if (name === undefined) return text;
  const words = more.split(/[\s;]+/);
  const kind = STATION_KINDS.find((one) => words.includes(one)) ?? 'figure';
  const aids = words.includes('aids') ? DRIVING_AIDS.find((one) => words.includes(one)) : undefined;
  return { name, runS: Number(runS), kind, ...(aids && { aids }) };
}

/** A group as its form shows it. */
export function groupTyped(fields: GroupFields): Json {
  return typedOf(z.encode(groupFields, fields));
}

function typedOf({ roles, programme, ...rest }: z.input<typeof groupFields>): Json {
  const lines =
    programme.kind === 'throttle'
      ? { ...programme, steps: programme.steps.map(stepText) }
      : programme.kind === 'lowGrip'
        ? { ...programme, stations: programme.stations.map(stationText) }
        : {
            ...programme,
            ...(programme.asks && { asks: programme.asks.map(askText) }),
            ...(programme.spacing && {
              spacing: Object.fromEntries(
                SPACING_PHASES.map((phase) => [phase, lengthsText(programme.spacing![phase])]),
              ),
            }),
          };
  const count = Object.fromEntries(
    GROUP_ROLES.map((role) => [role, roles.find((one) => one.role === role)?.count ?? 0]),
  );
  return { ...rest, programme: lines, roles: count };
}

/** What was typed, as a group; the people who may do something stay those that were named before. */
export function groupSchema(before?: Pick<GroupFields, 'roles'>): z.ZodType<GroupFields> {
  return z.preprocess((typed) => {
    const { roles, programme, ...rest } = typed as { roles: Record<string, number>; programme: Json } & Json;
    const { steps, stations, asks, spacing, ...others } = programme as {
      steps?: unknown[];
      stations?: unknown[];
      asks?: unknown[];
      spacing?: Partial<Record<SpacingPhase, unknown>>;
    };
    const apart = spacingOf(spacing);
    return {
      ...rest,
      programme: {
        ...others,
        ...(apart !== undefined && { spacing: apart }),
        ...(steps && { steps: steps.map(stepOf) }),
        ...(stations && { stations: stations.map(stationOf) }),
        ...(asks && { asks: asks.map(askOf) }),
      },
      roles: GROUP_ROLES.flatMap((role) => {
        const people = before?.roles.find((one) => one.role === role)?.people;
        const count = Number(roles[role] ?? 0);
        return count > 0 ? [{ role, count, ...(people && { people }) }] : [];
      }),
    };
  }, groupFields);
}

/**
 * A new group of a kind as its form shows it, as the preset says: it still lacks guests and cars.
 *
 * @param presets the venue's own
 */
export function newGroup(kind: ProgrammeKind, name: string, surface: string, presets: readonly Preset[] = []): Json {
  const own = presets.find(({ programme: { kind: of } }) => of === kind);
  const { programme, roles, setUpS, wrapUpS, needsBriefing } = own ?? PRESETS[kind];
  return typedOf({
    ...{ name, programme, surface, setUpS, wrapUpS, needsBriefing },
    members: [],
    cars: [],
    roles: roles.map((one) => ({ ...one })),
  });
}

const WAY_WORDS = {
  straight: 'rolling, on a straight',
  corner: 'rolling, leaving a corner',
  stopped: 'stopped',
} as const;

export interface GroupOptions {
  readonly guests: readonly Option[];
  readonly cars: readonly Option[];
  readonly surfaces: readonly Option[];
}

/** The fields of a group of a kind, in the order in which people think of them. */
export function groupFormFields(kind: ProgrammeKind, { guests, cars, surfaces }: GroupOptions): Field[] {
  return [
    { path: 'name', label: 'Name', kind: 'text', group: 'Who, where and when' },
    { path: 'surface', label: 'Where', kind: 'choice', options: surfaces },
    { path: 'pin.release', label: 'Out at', kind: 'time', optional: true, hint: 'the planner chooses where empty' },
    { path: 'notBefore', label: 'Not before', kind: 'time', optional: true },
    { path: 'endsBy', label: 'Over by', kind: 'time', optional: true },
    { path: 'needsBriefing', label: 'Class before', kind: 'yes' },
    {
      path: 'members',
      label: 'Guests, in the order of the start',
      kind: 'many',
      options: guests,
      wide: true,
    },
    {
      path: 'cars',
      label: 'Cars that they may drive',
      kind: 'many',
      options: cars,
      wide: true,
      group: 'Cars and people',
    },
    ...(kind === 'throttle'
      ? []
      : [{ path: 'leadCars', label: 'Leader’s car, any of', kind: 'many', options: cars, optional: true } as const]),
    ...(kind === 'follow'
      ? [{ path: 'staffCars', label: 'Staff cars in the train', kind: 'many', options: cars, optional: true } as const]
      : [{ path: 'carCount', label: 'Cars taken along', kind: 'number', optional: true } as const]),
    ...GROUP_ROLES.map((role): Field => ({ path: `roles.${role}`, label: ROLE_LABELS[role], kind: 'number' })),
    { path: 'setUpS', label: 'Set-up', kind: 'duration', group: 'How it goes' },
    { path: 'wrapUpS', label: 'Wrap-up', kind: 'duration' },
    ...PROGRAMME_FIELDS[kind],
  ];
}

const ROLE_LABELS = Object.fromEntries(
  GROUP_ROLES.map((role) => [role, ROLE_WORDS[role].charAt(0).toUpperCase() + ROLE_WORDS[role].slice(1)]),
) as Record<(typeof GROUP_ROLES)[number], string>;

const PROGRAMME_FIELDS: Readonly<Record<ProgrammeKind, readonly Field[]>> = {
  follow: [
    { path: 'programme.laps', label: 'Laps at pace', kind: 'number' },
    { path: 'programme.warmUpLaps', label: 'Warm-up laps', kind: 'number' },
    { path: 'programme.coolDownLaps', label: 'Cool-down laps', kind: 'number' },
    { path: 'programme.gentleFactor', label: 'These take ×', kind: 'number', decimals: 2 },
    {
      path: 'programme.change.after',
      label: 'Places change',
      kind: 'choice',
      options: [
        { label: 'every lap', value: 1 },
        ...[2, 3, 4, 5, 6].map((laps) => ({ label: `every ${laps} laps`, value: laps })),
        { label: 'when the leader calls it', value: 'onCall' },
      ],
    },
    {
      path: 'programme.change.how',
      label: 'How',
      kind: 'choice',
      options: CHANGE_WAYS.map((value) => ({ value, label: WAY_WORDS[value] })),
    },
    { path: 'programme.change.place', label: 'On which straight, leaving which corner', kind: 'text', optional: true },
    {
      path: 'programme.change.side',
      label: 'The first pulls to the',
      kind: 'choice',
      optional: true,
      options: [
        { label: 'left', value: 'left' },
        { label: 'right', value: 'right' },
      ],
    },
    { path: 'programme.change.slowToKmh', label: 'Slows to', unit: 'km/h', kind: 'number', optional: true },
    { path: 'programme.change.takesS', label: 'A change takes', kind: 'duration' },
    ...SPACING_PHASES.map((phase): Field => ({
      path: `programme.spacing.${phase}`,
      label: `Lengths between cars ${SPACING_WORDS[phase]}`,
      kind: 'text',
      optional: true,
      hint: `${lengthsText(ORDINARY_SPACING[phase])} where empty`,
    })),
    {
      path: 'programme.asks',
      label: 'What is asked at a corner',
      kind: 'list',
      optional: true,
      wide: true,
      hint: 'the corner book where empty; with commas, such as: Winch: coast, Ramp: brake lightly from lap 3',
    },
  ],
  throttle: [
    {
      path: 'programme.steps',
      label: 'Steps of throttle',
      kind: 'list',
      wide: true,
      hint: 'with commas, such as: 50 %: 2 laps of 42 s, 75 %: 2 laps of 36 s',
    },
    { path: 'programme.startS', label: 'Getting off takes', kind: 'duration' },
    { path: 'programme.finishS', label: 'Coming in takes', kind: 'duration' },
    { path: 'programme.carsOut', label: 'Cars out at once', kind: 'number' },
    { path: 'programme.pushed', label: 'Pushed off', kind: 'yes' },
    { path: 'programme.hold', label: 'Lane or height to hold', kind: 'text', optional: true },
    { path: 'programme.lanes', label: 'Lanes of the pit', kind: 'list', optional: true, hint: 'with commas' },
  ],
  lowGrip: [
    {
      path: 'programme.stations',
      label: 'Stations',
      kind: 'list',
      wide: true,
      hint: 'with commas, such as: Slalom: 60 s (slalom; aids on), Full course: 75 s (course; aids part)',
    },
    { path: 'programme.teams', label: 'Teams', kind: 'number' },
    { path: 'programme.runsEach', label: 'Runs of each at a station', kind: 'number' },
    { path: 'programme.changeS', label: 'A change of drivers takes', kind: 'duration' },
    { path: 'programme.walkS', label: 'From one station to the next', kind: 'duration' },
    { path: 'programme.leadLaps', label: 'Laps behind the leader', kind: 'number' },
    { path: 'programme.leadLapS', label: 'One of them takes', unit: 's', kind: 'number' },
    { path: 'programme.recovery.vehicle', label: 'What pulls a car out', kind: 'text', optional: true },
    { path: 'programme.recovery.takesS', label: 'It takes', kind: 'duration', optional: true },
    { path: 'programme.stopPhrase', label: 'Said so that everybody stands', kind: 'text', optional: true },
  ],
};
