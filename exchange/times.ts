import type { TDocumentDefinitions } from 'pdfmake/interfaces';
import { clockMinute } from '@core/values';
import type { Guest, GuestTime } from '@core/day';
import { guestTimeWords, type GuestWords } from '@words/guests';
import { INK, LINE, MUTED } from './inks';

/** What a guest's times are printed from. */
export interface TimesSource {
  readonly venue: string;
  readonly date: string;
  readonly guest: Guest;
  readonly times: readonly GuestTime[];
  readonly words: GuestWords;
}

/** A slip for a guest's pocket: when to be where. */
export function timesSheet({ venue, date, guest, times, words }: TimesSource): TDocumentDefinitions {
  const { title, nothingYet, mayMove } = words.times;
  return {
    pageSize: 'A6',
    pageMargins: [24, 24, 24, 24],
    info: { title: `${title}, ${guest.name}, ${date}` },
    defaultStyle: { fontSize: 10, color: INK },
    content: [
      { text: guest.name, fontSize: 18, bold: true },
      { text: venue, color: MUTED },
      { text: words.numbers.date(date), color: MUTED, margin: [0, 0, 0, 8] },
      times.length < 2
        ? { text: nothingYet }
        : {
            table: {
              widths: ['auto', '*'],
              body: times.map((time) => [
                { text: clockMinute(time.atS), bold: true, fontSize: 13 },
                { stack: guestTimeWords(time, words).map((text, line) => ({ text, color: line === 0 ? INK : MUTED })) },
              ]),
            },
            layout: {
              hLineColor: () => LINE,
              hLineWidth: (line) => (line === 0 ? 0 : 0.5),
              vLineWidth: () => 0,
            },
          },
      { text: mayMove, color: MUTED, fontSize: 8, margin: [0, 8, 0, 6] },
    ],
  };
}
