import * as z from 'zod';
import { subject, sentence, common, entryOf, carPlace, faultSeverity, servicePart, wheelLock, note } from './parts';

/** What the garage and the people with the cones enter. */
export const garageSchemas = {
  carStalled: entryOf('carStalled', {
    car: subject,
    stall: z.number().int().min(1).max(999),
    lock: wheelLock.optional(),
  }),
  cardMoved: entryOf('cardMoved', { car: subject, card: z.enum(['in', 'out']), charged: z.boolean() }),
  /** Cars that were there when somebody went round with the sheet. */
  carsCounted: entryOf('carsCounted', { cars: z.array(subject).max(200) }),
  walkRoundDone: entryOf('walkRoundDone', {
    car: subject,
    when: z.enum(['start', 'end']),
    items: z.array(z.string().min(1).max(100)).max(30),
  }),
  faultFound: entryOf('faultFound', {
    car: subject,
    where: carPlace,
    what: sentence,
    severity: faultSeverity,
    /** Id of a picture that was sent before. */
    photo: subject.optional(),
  }),
  faultMended: entryOf('faultMended', { fault: common.id, note }),
  serviced: entryOf('serviced', { car: subject, what: servicePart, note }),
  conesChecked: entryOf('conesChecked', { cones: z.array(z.string().min(1).max(100)).min(1).max(500) }),
  coneDoubted: entryOf('coneDoubted', { cone: z.string().min(1).max(100), note }),
};
