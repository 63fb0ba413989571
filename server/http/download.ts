import type { Response } from 'express';

/** Sends a text as a file to be kept. */
export function download(response: Response, type: string, name: string, text: string): void {
  response.type(type).set('content-disposition', `attachment; filename="${name}"`).send(text);
}
