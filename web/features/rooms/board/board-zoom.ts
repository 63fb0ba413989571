import { select } from 'd3-selection';
import { zoom, zoomIdentity, type ZoomTransform } from 'd3-zoom';
import type { Stretch } from './stretch';

/** As many times as wide as with the whole day, at most. */
const MOST_ZOOM = 24;

interface Plot {
  readonly width: () => number;
  /** Whether what is pressed or turned there moves the day. */
  readonly takes: (event: Event) => boolean;
  /** @property byHand whether somebody moves it now, rather than `set` */
  readonly moved: (to: Stretch, byHand: boolean) => void;
}

/** Wheel, pointer and fingers zoom and pan what `element` shows; the way to set it from elsewhere. */
export function zoomable(element: HTMLElement, { width, takes, moved }: Plot): (to: Stretch) => void {
  const behaviour = zoom<HTMLElement, unknown>()
    .scaleExtent([1, MOST_ZOOM])
    .extent(() => [
      [0, 0],
      [width(), 0],
    ])
    .filter(takes)
    .on('zoom', ({ transform, sourceEvent }: { transform: ZoomTransform; sourceEvent: Event | null }) => {
      moved(transform, sourceEvent !== null);
    });
  const selection = select(element).call(behaviour).on('dblclick.zoom', null);
  return ({ k, x }) => {
    behaviour.translateExtent([
      [0, -Infinity],
      [width(), Infinity],
    ]);
    behaviour.transform(selection, zoomIdentity.translate(x, 0).scale(k));
  };
}
