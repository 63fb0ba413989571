import { createRequire } from 'node:module';
import { Router, type Response } from 'express';
import pdfmake from 'pdfmake';
import type { TDocumentDefinitions, TFontDictionary } from 'pdfmake/interfaces';
import { daySheet, instructorSheet, type SheetSource } from '@exchange/sheets';
import type { Services } from '../services';
import { conflict, notFound } from '../problems';

const fonts = createRequire(import.meta.url)('pdfmake/fonts/Roboto.js') as TFontDictionary;
const fontFiles = new Set(Object.values(fonts['Roboto'] ?? {}));
pdfmake.setFonts(fonts);
// A sheet is made from what is stored here, and needs nothing but its fonts.
pdfmake.setUrlAccessPolicy(() => false);
pdfmake.setLocalAccessPolicy((path) => fontFiles.has(path));

/** Sheets to print, as PDF. */
export function printRoutes({ store, room }: Services): Router {
  const router = Router();
  const sourceOf = (date: string): SheetSource => {
    const { day, plan, revision, bookings } = room.of(date);
    if (!plan || !revision) throw conflict('There is no plan for this day yet: plan it, then print.');
    const carNumbers = Object.fromEntries(store.cars.list().map(({ id, fields }) => [id, fields.number]));
    return { day, plan, revision: revision.revision, bookings, carNumbers };
  };
  router.get('/api/days/:date/sheets/day.pdf', async ({ params: { date } }, response) => {
    await send(response, daySheet(sourceOf(date)), `day-${date}.pdf`);
  });
  router.get('/api/days/:date/sheets/instructors/:id.pdf', async ({ params: { date, id } }, response) => {
    const sheet = instructorSheet(sourceOf(date), id);
    if (!sheet) throw notFound(`instructor "${id}" on ${date}`);
    await send(response, sheet, `instructor-${date}.pdf`);
  });
  return router;
}

async function send(response: Response, sheet: TDocumentDefinitions, name: string): Promise<void> {
  const pdf = await pdfmake.createPdf(sheet).getBuffer();
  response.type('application/pdf').set('content-disposition', `inline; filename="${name}"`).send(pdf);
}
