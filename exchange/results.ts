import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces';
import { marksByCorner, type GuestResult, type OneThing } from '@core/people/coaching';
import { measure, type CircuitMap } from '@core/track/circuit';
import { lapTexts, learnedWords, type GuestWords } from '@words/guests';
import { INK, KERB, LAKE, MUTED } from './inks';

/** What a result page is made from. */
export interface ResultSource {
  readonly venue: string;
  readonly date: string;
  readonly circuit: string;
  readonly result: GuestResult;
  readonly map: CircuitMap | null;
  /** Why the guest came, as it was booked. */
  readonly occasion?: string | undefined;
  readonly words: GuestWords;
}

/** The page a guest takes home, to be shown around. */
export function resultSheet(source: ResultSource): TDocumentDefinitions {
  const { venue, date, circuit, result, map, occasion, words } = source;
  const { guest, drives, laps, best, gainS, oneThing } = result;
  const { results: say, numbers } = words;
  const learned = learnedWords(result, say);
  const facts = [
    [`${laps}`, say.laps(laps)],
    ...(best ? [[numbers.lapTime(best.lapS), say.bestLap(best.car)]] : []),
    ...(gainS !== undefined ? [[`${numbers.fixed(gainS, 1)} s`, say.gainedMost]] : []),
  ];
  return {
    pageSize: 'A4',
    pageMargins: [46, 46, 46, 46],
    info: { title: `${guest.name}, ${venue}, ${date}` },
    defaultStyle: { fontSize: 10.5, color: INK },
    content: [
      { text: guest.name, fontSize: 30, bold: true },
      { text: `${venue} · ${circuit} · ${numbers.date(date)}`, color: MUTED, margin: [0, 2, 0, occasion ? 4 : 16] },
      ...(occasion ? [{ text: occasion, fontSize: 14, bold: true, margin: [0, 0, 0, 14] } as Content] : []),
      {
        columns: facts.map(([value, words]) => ({
          stack: [
            { text: value!, fontSize: 26, bold: true, color: LAKE },
            { text: words!, color: MUTED },
          ],
        })),
        margin: [0, 0, 0, 18],
      },
      {
        columns: [
          { width: '*', stack: drives.flatMap((drive): Content[] => driveContent(drive, words)) },
          { width: 200, stack: [...(map ? [circuitPicture(map, result)] : [])] },
        ],
        columnGap: 20,
      },
      ...(learned.length > 0 ? [heading(say.learned), { ul: learned.map((text) => ({ text })) } as Content] : []),
      ...(oneThing ? [heading(say.oneThing), { text: oneThingText(oneThing, say) } as Content] : []),
    ],
  };
}

function oneThingText({ fault }: OneThing, say: GuestWords['results']): string {
  const { name, cure } = say.fault(fault);
  return `${name}: ${cure}.`;
}

const heading = (text: string): Content => ({ text, fontSize: 14, bold: true, margin: [0, 14, 0, 4] });

/** A bead for each lap, with or without a time. */
function beadsOf({ laps, untimed }: GuestResult['drives'][number]['analysis']) {
  const timed = laps.flatMap((lap) =>
    Array.from({ length: lap.laps }, (_, i) => ({ ...lap, first: lap.first && i === 0 })),
  );
  return [...timed, ...Array.from({ length: untimed }, () => ({ spoiled: false, first: false }))];
}

function driveContent(
  { car, instructor, analysis, good, owed }: GuestResult['drives'][number],
  words: GuestWords,
): Content[] {
  const { results: say } = words;
  return [
    { text: `${car}`, bold: true, fontSize: 13, margin: [0, 8, 0, 0] },
    { text: say.withInstructor(instructor), color: MUTED },
    {
      canvas: beadsOf(analysis).map(({ spoiled, first }, place) => ({
        type: 'ellipse' as const,
        x: 8 + 18 * place,
        y: 10,
        r1: 6,
        r2: 6,
        color: spoiled ? '#FFFFFF' : first ? MUTED : INK,
        lineColor: spoiled ? KERB : INK,
        lineWidth: 1.5,
      })),
      margin: [0, 2, 0, 4],
    },
    { text: lapTexts(analysis, words).join('   '), fontSize: 9.5 },
    ...(owed > 0 ? [{ text: say.lapsOwed(owed) } as Content] : []),
    ...(good.length > 0 ? [{ text: say.good(good.map(say.goodThing)), color: LAKE } as Content] : []),
  ];
}

/** The circuit with the guest's own marks, as a drawing. */
function circuitPicture(map: CircuitMap, { marks: all }: GuestResult): Content {
  const xs = map.line.map(({ xM }) => xM);
  const ys = map.line.map(({ yM }) => -yM);
  const [x0, y0] = [Math.min(...xs) - 40, Math.min(...ys) - 40];
  const [width, height] = [Math.max(...xs) + 40 - x0, Math.max(...ys) + 40 - y0];
  const path = map.line.map(({ xM, yM }) => `${xM.toFixed(0)} ${(-yM).toFixed(0)}`).join('L');
  const size = Math.max(width, height);
  const byCorner = marksByCorner(all);
  const { lengthM, at: placeAt } = measure(map.line);
  const marks = map.corners.flatMap(({ name, atM }) => {
    const count = byCorner.get(name);
    if (!count) return [];
    const at = placeAt(atM / lengthM);
    const r = size * 0.018 * Math.sqrt(1 + count);
    return [
      `<circle cx="${at.xM.toFixed(0)}" cy="${(-at.yM).toFixed(0)}" r="${r.toFixed(1)}" fill="${KERB}" fill-opacity="0.75"/>`,
    ];
  });
  return {
    svg: `<svg xmlns="http://www.w3.org/2000/svg" viewBox="${x0} ${y0} ${width} ${height}"><path d="M${path}Z" fill="none" stroke="${INK}" stroke-width="${(size * 0.012).toFixed(1)}"/>${marks.join('')}</svg>`,
    width: 200,
  };
}
