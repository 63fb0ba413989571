import { addressOf, contract, readEvent, STREAM_EVENT_NAMES, type StreamEvent } from '@core/api';
import { Observable } from 'rxjs';
import { newId } from './new-id';

/** `refused` where the server answered, and not with a stream. */
export type Heard =
  | Exclude<StreamEvent, { name: 'heartbeat' }>
  | { readonly name: 'connection'; readonly open: boolean; readonly refused?: boolean };

/** This page, as long as it is open: whoever calls a flag sees which pages have it. */
export const PAGE = newId();
/** The server gives a sign of life more often than this; a stream that is silent for so long is dead. */
const SILENCE_MS = 25_000;
/** A stream that the server refused is asked for again after this. */
const RETRY_MS = 3000;

/**
 * The live stream of a day. Each loss and return of the connection is told: where the browser sees it, where the device
 * says that it is offline, and where the stream has fallen silent. The service worker is told to keep out of it. Never
 * completes; unsubscribing closes it.
 */
export function entryStream(date: string): Observable<Heard> {
  return new Observable((subscriber) => {
    let source: EventSource;
    let silence: ReturnType<typeof setTimeout>;

    const connect = () => {
      source = new EventSource(addressOf(contract.streamDay, { date }, { page: PAGE, 'ngsw-bypass': 'true' }));
      source.addEventListener('open', () => {
        alive();
        subscriber.next({ name: 'connection', open: true });
      });
      source.addEventListener('error', () => {
        const refused = source.readyState === EventSource.CLOSED;
        subscriber.next({ name: 'connection', open: false, refused });
        // A browser tries again by itself where the connection broke, and never where the server refused.
        if (refused) silentIn(RETRY_MS);
      });
      for (const name of STREAM_EVENT_NAMES) {
        source.addEventListener(name, ({ data }: MessageEvent<string>) => {
          alive();
          const event = readEvent(name, data);
          if (event.name !== 'heartbeat') subscriber.next(event);
        });
      }
      alive();
    };
    const silentIn = (ms: number) => {
      clearTimeout(silence);
      silence = setTimeout(reconnect, ms);
    };
    const alive = () => silentIn(SILENCE_MS);
    const lost = () => subscriber.next({ name: 'connection', open: false });
    const reconnect = () => {
      lost();
      source.close();
      connect();
    };

    connect();
    window.addEventListener('offline', lost);
    window.addEventListener('online', reconnect);
    return () => {
      clearTimeout(silence);
      source.close();
      window.removeEventListener('offline', lost);
      window.removeEventListener('online', reconnect);
    };
  });
}
