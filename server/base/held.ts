import type { RequestListener } from 'node:http';

/** So many requests wait at most; later ones are told to come again. */
const MOST_HELD = 500;

/**
 * For a server that listens before its data are open: requests that come meanwhile wait, so that none is left without an
 * answer and none is answered from half a venue.
 *
 * @returns what listens from the first moment on, and what opens it once the data are there
 */
export function heldUntilOpen(): { readonly listener: RequestListener; readonly open: (app: RequestListener) => void } {
  let answer: RequestListener | undefined;
  const held: Parameters<RequestListener>[] = [];
  return {
    listener: (request, response) => {
      if (answer) return void answer(request, response);
      if (held.length < MOST_HELD) return void held.push([request, response]);
      response.writeHead(503, { 'retry-after': '2', 'content-type': 'text/plain' }).end('Joy Lap is starting.\n');
    },
    open: (app) => {
      answer = app;
      for (const [request, response] of held.splice(0)) if (!response.destroyed) app(request, response);
    },
  };
}
