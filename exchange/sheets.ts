import type { Content, TableCell, TDocumentDefinitions } from 'pdfmake/interfaces';
import type { Booking } from '@core/api';
import { clockMinute, wallClock } from '@core/values';
import { layOut, type Day, type DriveOccupancy, type PersonOccupancy, type Plan, type Schedule } from '@core/day';
import { GEARBOX_WORDS, namesOf, touchWords, wordsIn } from '@words';
import { INK, LINE, MUTED } from './inks';

/** What a sheet is made from. */
export interface SheetSource {
  readonly day: Day;
  readonly plan: Plan;
  readonly revision: number;
  readonly bookings: readonly Booking[];
  /** Number on the door by car id. */
  readonly carNumbers: Readonly<Record<string, number>>;
}

/** For whom a sheet of the day is: it hangs on a wall for everybody to read, or lies at the desk. */
export type Reader = 'wall' | 'desk';

/**
 * The whole day on paper: classes, sighting runs, every drive in the order of release. The wall's has names, times and
 * cars and nothing else; the desk's has what concerns the guest besides, and what is left out with the reason.
 */
export function daySheet(source: SheetSource, reader: Reader): TDocumentDefinitions {
  const schedule = layOut(source.day, source.plan);
  const { briefings, sightings, drives, groups } = schedule;
  const byStart = [...briefings, ...sightings, ...groups].sort((a, b) => a.startS - b.startS);
  const isDesk = reader === 'desk';
  const words = wordsIn('en', namesOf(source.day));
  const leftOut = (isDesk ? source.plan.unplanned : []).flatMap(({ drive, reason }) => {
    const booked = schedule.index.drives.get(drive);
    return booked ? [[booked.guest.name, `${booked.drive.laps} laps`, words.leftOut(reason)]] : [];
  });
  const title = isDesk ? 'Day sheet, for the desk: not to be hung up' : 'Day sheet, for the wall';
  return sheet(source, 'landscape', title, [
    heading(groups.length > 0 ? 'Classes, sighting runs and groups' : 'Classes and sighting runs'),
    table(
      ['Start', 'End', 'What', 'Instructor', 'Guests'],
      ['auto', 'auto', 'auto', 'auto', '*'],
      byStart.map((occupancy) => [
        bold(clockMinute(occupancy.startS)),
        clockMinute(occupancy.endS),
        sharedText(occupancy),
        occupancy.instructor?.name ?? '',
        occupancy.guests.map(({ name }) => name).join(', '),
      ]),
    ),
    heading('Drives'),
    table(
      ['Seat', 'Out', 'Back', 'No.', 'Car', 'Guest', 'Instructor', 'Laps', ...(isDesk ? ['Mind'] : [])],
      ['auto', 'auto', 'auto', 'auto', 'auto', isDesk ? 'auto' : '*', 'auto', 'auto', ...(isDesk ? ['*'] : [])],
      [...drives]
        .sort((a, b) => a.releaseS - b.releaseS)
        .map((occupancy) => [
          clockMinute(occupancy.startS),
          bold(wallClock(occupancy.releaseS)),
          clockMinute(occupancy.endS),
          bold(String(source.carNumbers[occupancy.planned.car] ?? '')),
          occupancy.car?.name ?? '',
          occupancy.guests[0]?.name ?? '',
          occupancy.instructor?.name ?? '',
          beads(occupancy),
          ...(isDesk ? [mind(occupancy, source)] : []),
        ]),
    ),
    ...(leftOut.length > 0
      ? [heading('Left out of the plan'), table(['Guest', 'Drive', 'Why'], ['auto', 'auto', '*'], leftOut)]
      : []),
  ]);
}

function sharedText(occupancy: Exclude<PersonOccupancy, DriveOccupancy>): string {
  switch (occupancy.kind) {
    case 'briefing':
      return 'class';
    case 'sighting':
      return `sighting run, ${occupancy.vehicle?.name ?? ''}`;
    case 'group':
      return occupancy.group?.name ?? occupancy.planned.group;
  }
}

/**
 * One instructor's day for the clipboard.
 *
 * @returns nothing where the instructor is not in the day's crew
 */
export function instructorSheet(source: SheetSource, instructorId: string): TDocumentDefinitions | undefined {
  const schedule = layOut(source.day, source.plan);
  const instructor = schedule.index.instructors.get(instructorId);
  if (!instructor) return undefined;
  const occupancies = schedule.crewOccupancies.get(instructorId) ?? [];
  const meal = `Meal between ${clockMinute(instructor.meal.from)} and ${clockMinute(instructor.meal.to)}.`;
  return sheet(source, 'portrait', `For ${instructor.name}`, [
    { text: `${occupancies.length} activities. ${meal}`, color: MUTED, margin: [0, 0, 0, 6] },
    occupancies.length === 0
      ? { text: 'Nothing is planned for this instructor.', color: MUTED }
      : table(
          ['Start', 'Out', 'End', 'What', 'Guest', 'Laps', 'Mind'],
          ['auto', 'auto', 'auto', 'auto', '*', 'auto', '*'],
          occupancies.map((occupancy) => activityRow(occupancy, source, schedule)),
        ),
  ]);
}

function activityRow(occupancy: PersonOccupancy, source: SheetSource, schedule: Schedule): TableCell[] {
  const guests = occupancy.guests.map(({ name }) => name).join(', ');
  const times = [
    bold(clockMinute(occupancy.startS)),
    occupancy.kind === 'briefing' ? '' : wallClock(occupancy.releaseS),
    clockMinute(occupancy.endS),
  ];
  if (occupancy.kind === 'briefing') return [...times, 'class', guests, '', `${occupancy.guests.length} guests`];
  if (occupancy.kind === 'sighting')
    return [
      ...times,
      occupancy.vehicle?.name ?? 'sighting run',
      guests,
      `${schedule.day.rules.sighting.laps}`,
      'sighting run',
    ];
  if (occupancy.kind === 'group') {
    const name = occupancy.group?.name ?? occupancy.planned.group;
    return [...times, name, guests, '', `${occupancy.guests.length} guests, ${occupancy.cars.length} cars`];
  }
  const number = source.carNumbers[occupancy.planned.car];
  return [
    ...times,
    `${number ?? ''} ${occupancy.car?.name ?? ''}`,
    bold(guests),
    beads(occupancy),
    mind(occupancy, source),
  ];
}

/** What whoever sits beside the guest has to know, in one cell. */
function mind(occupancy: DriveOccupancy, { bookings }: SheetSource): TableCell {
  const fields = bookings.find(({ id }) => id === occupancy.guests[0]?.id)?.fields;
  const gearbox = occupancy.drive?.gearbox;
  const parts = [
    occupancy.guests[0]?.languages.join(', '),
    gearbox && GEARBOX_WORDS[gearbox],
    fields && touchWords(fields.touch),
    fields?.occasion,
    fields?.notes,
  ].filter(Boolean);
  const lines: Content[] = [{ text: parts.join(' · ') }];
  if (fields?.healthNote) lines.push({ text: fields.healthNote, bold: true });
  return { stack: lines };
}

/** Lap beads to tick off by hand. */
function beads({ lapsDriven }: DriveOccupancy): TableCell {
  const circles = Array.from({ length: lapsDriven }, (_, lap) => `<circle cx="${6 + lap * 11}" cy="6" r="4.2"/>`).join(
    '',
  );
  const width = lapsDriven * 11 + 2;
  return {
    svg: `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="12" fill="none" stroke="${INK}">${circles}</svg>`,
  };
}

function bold(text: string): TableCell {
  return { text, bold: true };
}

function heading(text: string): Content {
  return { text, bold: true, fontSize: 12, margin: [0, 10, 0, 4] };
}

function table(head: string[], widths: string[], body: TableCell[][]): Content {
  return {
    table: {
      headerRows: 1,
      dontBreakRows: true,
      widths,
      body: [head.map((text): TableCell => ({ text, color: MUTED, fontSize: 8 })), ...body],
    },
    layout: {
      hLineColor: () => LINE,
      hLineWidth: (line) => (line === 1 ? 1 : 0.5),
      vLineWidth: () => 0,
      paddingTop: () => 3,
      paddingBottom: () => 3,
    },
  };
}

function sheet(
  { day, revision }: SheetSource,
  pageOrientation: 'portrait' | 'landscape',
  title: string,
  content: Content[],
): TDocumentDefinitions {
  return {
    pageSize: 'A4',
    pageOrientation,
    pageMargins: [32, 34, 32, 40],
    defaultStyle: { fontSize: 9, color: INK },
    info: { title: `${title}, ${day.date}`, creator: 'Joy Lap' },
    content: [
      {
        columns: [
          { text: title, bold: true, fontSize: 17 },
          {
            text: `${day.venue}\n${day.date} · ${day.circuit.name} · plan ${revision}`,
            alignment: 'right',
            color: MUTED,
          },
        ],
        margin: [0, 0, 0, 6],
      },
      ...content,
    ],
    footer: (page, pages) => ({
      columns: [
        { text: 'Advice only: the marshal’s word and venue rules come first.', color: MUTED },
        { text: `${page} of ${pages}`, alignment: 'right', color: MUTED },
      ],
      fontSize: 8,
      margin: [32, 12, 32, 0],
    }),
  };
}
