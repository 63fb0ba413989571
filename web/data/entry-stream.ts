import { recordedEntry, type RecordedEntry } from '@core/journal';
import { Observable } from 'rxjs';

export type StreamEvent =
  | { readonly kind: 'entry'; readonly recorded: RecordedEntry }
  | { readonly kind: 'changed'; readonly what: string }
  | { readonly kind: 'connection'; readonly open: boolean };

/**
 * The live stream of a day. The browser itself connects again and asks for what it missed; each loss and return of the
 * connection is told. Never completes; unsubscribing closes it.
 */
export function entryStream(date: string): Observable<StreamEvent> {
  return new Observable((subscriber) => {
    const source = new EventSource(`/api/days/${encodeURIComponent(date)}/stream`);
    source.addEventListener('open', () => subscriber.next({ kind: 'connection', open: true }));
    source.addEventListener('error', () => subscriber.next({ kind: 'connection', open: false }));
    source.addEventListener('entry', ({ data }) =>
      subscriber.next({ kind: 'entry', recorded: recordedEntry.parse(JSON.parse(data)) }),
    );
    source.addEventListener('changed', ({ data }) =>
      subscriber.next({ kind: 'changed', what: (JSON.parse(data) as { what: string }).what }),
    );
    return () => source.close();
  });
}
