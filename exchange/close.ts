import Papa from 'papaparse';
import type { TDocumentDefinitions } from 'pdfmake/interfaces';
import { figureText, type DayClose } from '@core/venue/closing';
import { wordsIn, type Names } from '@words';
import { INK, MUTED } from './inks';

export interface CloseSheetSource {
  readonly venue: string;
  readonly currency: string;
  readonly names: Names;
  readonly today: DayClose;
  readonly before: DayClose | null;
}

/** The close of a day on one page. */
export function closeSheet({ venue, currency, names, today, before }: CloseSheetSource): TDocumentDefinitions {
  const words = wordsIn('en', names);
  const then = new Map(before?.figures.map((figure) => [figure.key, figure.value]));
  return {
    pageSize: 'A4',
    pageMargins: [46, 46, 46, 46],
    info: { title: `Close of ${today.date}, ${venue}` },
    defaultStyle: { fontSize: 10, color: INK },
    content: [
      { text: 'Close of the day', fontSize: 22, bold: true },
      { text: `${venue} · ${today.date}`, color: MUTED, margin: [0, 2, 0, 12] },
      {
        layout: 'lightHorizontalLines',
        table: {
          headerRows: 1,
          widths: ['*', 'auto', 'auto', 'auto'],
          body: [
            ['', 'Today', 'Planned', before ? before.date : 'A week before'].map((text) => ({ text, color: MUTED })),
            ...today.figures.map((figure) => [
              { text: words.figure(figure.key) },
              { text: figureText(figure, figure.value, currency), bold: true, alignment: 'right' as const },
              { text: figureText(figure, figure.planned, currency), alignment: 'right' as const },
              { text: figureText(figure, then.get(figure.key), currency), alignment: 'right' as const, color: MUTED },
            ]),
          ],
        },
      },
      { text: 'Before tomorrow', fontSize: 14, bold: true, margin: [0, 14, 0, 4] },
      today.toDo.length > 0 ? { ul: today.toDo.map(words.toDo) } : { text: 'Nothing is left to do.', color: MUTED },
    ],
  };
}

/** The same as CSV, for a spreadsheet. */
export function closeCsv({ names, today, before }: Omit<CloseSheetSource, 'venue' | 'currency'>): string {
  const words = wordsIn('en', names);
  const then = new Map(before?.figures.map((figure) => [figure.key, figure.value]));
  const round = (value: number | undefined) => (value === undefined ? '' : Math.round(value * 100) / 100);
  return Papa.unparse(
    today.figures.map(({ key, unit, value, planned }) => ({
      figure: words.figure(key),
      unit,
      today: round(value),
      planned: round(planned),
      week_before: round(then.get(key)),
    })),
    { escapeFormulae: true },
  );
}
