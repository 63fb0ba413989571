import { modelledCars } from '@core/venue/fleet';
import { teachingCustom } from '@core/venue/settings';
import { studyCircuit } from '@core/track/car';
import { FLEET, LARKMERE } from './larkmere';
import { SLIPWAY } from './slipway';

/** A car that brakes before every corner before which any of the fleet does. */
const BRAKES_EVERYWHERE = 'c9';
let known: readonly string[] | undefined;

/** Ids of the cones that stand on the demo's circuit. */
export function taughtCones(): string[] {
  known ??= conesFor(({ id }) => id === BRAKES_EVERYWHERE);
  return [...known];
}

/** Ids of the cones that stand for some cars of the fleet and all of the venue's guests. */
export function conesFor(isMeant: (car: (typeof FLEET)[number]) => boolean): string[] {
  const fleet = modelledCars(FLEET.filter(isMeant).map((fields) => ({ id: fields.id, fields })));
  const paces = [...new Set(Object.values(LARKMERE.paces))];
  const study = studyCircuit(SLIPWAY, fleet, paces, 1, teachingCustom(LARKMERE.coaching));
  return study.cones.cones.map(({ id }) => id);
}
