import { createRequire } from 'node:module';
import type { Response } from 'express';
import pdfmake from 'pdfmake';
import type { TDocumentDefinitions, TFontDictionary } from 'pdfmake/interfaces';
import { guestResult } from '@core/people/coaching';
import { fact } from '@core/values';
import { guestTimes, type Guest } from '@core/day';
import { namesOf } from '@words';
import { wordsFor } from '@words/guests';
import { closeCsv, closeSheet } from '@exchange/close';
import { timesSheet } from '@exchange/times';
import { inOwnType, TYPE } from '@exchange/own-type';
import { resultSheet } from '@exchange/results';
import { daySheet, instructorSheet, type SheetSource } from '@exchange/sheets';
import { circuitMapOf } from '../../services/circuit-map';
import type { Services } from '../services';
import { notFound, refusalOf } from '../../base/refusal';
import { download } from '../download';
import type { Handlers } from '../mount';
import type { sheetsEndpoints } from '@core/api';

const require = createRequire(import.meta.url);
/** Files of the type of the house; its cursive is not used. */
function archivo(letters: 'latin' | 'latin-ext') {
  const file = (weight: number) =>
    require.resolve(`@fontsource/archivo/files/archivo-${letters}-${weight}-normal.woff`);
  return { normal: file(400), bold: file(700), italics: file(400), bolditalics: file(700) };
}
const fonts: TFontDictionary = {
  ...(require('pdfmake/fonts/Roboto.js') as TFontDictionary),
  [TYPE.plain]: archivo('latin'),
  [TYPE.extended]: archivo('latin-ext'),
};
const fontFiles = new Set(Object.values(fonts).flatMap((files) => Object.values(files) as unknown[]));
pdfmake.setFonts(fonts);
// A sheet is made from what is stored here, and needs nothing but its fonts.
pdfmake.setUrlAccessPolicy(() => false);
pdfmake.setLocalAccessPolicy((path) => fontFiles.has(path));

/** Sheets to print, as PDF. */
export function sheetsRoutes({ store, dayCache }: Services): Handlers<typeof sheetsEndpoints> {
  const sourceOf = (date: string): SheetSource => {
    const { day, plan, revision, bookings } = dayCache.of(date);
    if (!plan || !revision) throw refusalOf(fact('noPlanYet', {}));
    const carNumbers = Object.fromEntries(store.cars.list().map(({ id, fields }) => [id, fields.number]));
    return { day, plan, revision: revision.revision, bookings, carNumbers };
  };
  const closeNames = () => {
    const { name, currency } = store.venue.get()!.fields;
    return { venue: name, currency };
  };
  return {
    daySheet: async ({ params: { date }, response }) => {
      await send(response, daySheet(sourceOf(date), 'wall'), `day-${date}.pdf`);
    },
    deskSheet: async ({ params: { date }, response }) => {
      await send(response, daySheet(sourceOf(date), 'desk'), `desk-${date}.pdf`);
    },
    instructorSheet: async ({ params: { date, id }, response }) => {
      const sheet = instructorSheet(sourceOf(date), id);
      if (!sheet) throw notFound('instructor', id, date);
      await send(response, sheet, `instructor-${date}.pdf`);
    },
    resultSheet: async ({ params: { date, id }, query, response }) => {
      const { day, context, bookings } = dayCache.of(date);
      const result = guestResult(context, dayCache.stateAt(date), id, dayCache.vocabulary());
      if (!result) throw notFound('guest', id, date);
      const words = wordsFor(result.guest.languages, query.language);
      const { circuit } = store.circuit.get();
      const map = circuit && circuitMapOf(circuit);
      const occasion = bookings.find((booking) => booking.id === id)?.fields.occasion;
      const about = { venue: day.venue, date, circuit: day.circuit.name, occasion };
      const sheet = resultSheet({ ...about, result, map, words });
      await send(response, sheet, fileName(result.guest, date));
    },
    timesSheet: async ({ params: { date, id }, query, response }) => {
      const { day, context } = dayCache.of(date);
      const guest = context.schedule.index.guests.get(id);
      if (!guest) throw notFound('guest', id, date);
      const words = wordsFor(guest.languages, query.language);
      const times = guestTimes(context.schedule, id);
      await send(response, timesSheet({ venue: day.venue, date, guest, times, words }), fileName(guest, date));
    },
    closeSheet: async ({ params: { date }, response }) => {
      const { venue, currency } = closeNames();
      await send(
        response,
        closeSheet({ venue, currency, names: namesOf(dayCache.of(date).day), ...dayCache.closeOf(date) }),
        `close-${date}.pdf`,
      );
    },
    closeCsv: ({ params: { date }, response }) => {
      download(
        response,
        'text/csv',
        `close-${date}.csv`,
        closeCsv({ names: namesOf(dayCache.of(date).day), ...dayCache.closeOf(date) }),
      );
    },
  };
}

function fileName({ name }: Guest, date: string): string {
  return `${name.replace(/[^A-Za-z0-9]+/g, '-')}-${date}.pdf`;
}

async function send(response: Response, sheet: TDocumentDefinitions, name: string): Promise<void> {
  const pdf = await pdfmake.createPdf(inOwnType(sheet)).getBuffer();
  response.type('application/pdf').set('content-disposition', `inline; filename="${name}"`).send(pdf);
}
