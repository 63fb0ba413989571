import * as z from 'zod';
import { subject, entryOf } from './parts';

/** Classes, what is asked in them, and sighting runs. */
export const classesSchemas = {
  classBegan: entryOf('classBegan', { instructor: subject, guests: z.array(subject).min(1) }),
  classEnded: entryOf('classEnded', { instructor: subject, guests: z.array(subject) }),
  sightingBegan: entryOf('sightingBegan', { vehicle: subject, instructor: subject, guests: z.array(subject).min(1) }),
  sightingEnded: entryOf('sightingEnded', { vehicle: subject }),
  answersCounted: entryOf('answersCounted', {
    instructor: subject,
    question: z.string().min(1).max(200),
    /** Hands for each answer, in the order of the answers. */
    hands: z.array(z.number().int().min(0).max(200)).min(2).max(6),
    /** Place of the right answer. */
    right: z.number().int().min(0).max(5),
    /** What each answer shows to have been misunderstood, in the same order; empty where it shows nothing. */
    misread: z.array(z.string().max(200)).max(6).optional(),
  }),
  /** One of those whose hands were up for a wrong answer. */
  answerMissed: entryOf('answerMissed', {
    guest: subject,
    question: z.string().min(1).max(200),
    misread: z.string().min(1).max(200),
  }),
  /** Somebody who is missing at a class is to be found, and has been. */
  guestSentFor: entryOf('guestSentFor', { guest: subject, instructor: subject }),
  guestFound: entryOf('guestFound', { guest: subject }),
};
