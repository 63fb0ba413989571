import * as z from 'zod';

/** Phones and tablets of the venue's people, and how they reach the server. */

const name = z.string().trim().min(1).max(100);

/** How this server is reached. */
export const networkView = z.object({
  /** On the machine on which it runs. */
  here: z.string(),
  /** From the venue's network, the shortest first; none where it listens for this machine only. */
  addresses: z.array(z.string()),
  /** Whether the certificate is of its own authority, which phones are to trust first. */
  ownAuthority: z.boolean(),
  /** Whoever reaches it is let in, added or not. */
  withoutSignIn: z.boolean(),
  /** Why nothing listens for the network. */
  why: z.enum(['off', 'portTaken']).optional(),
});
export type NetworkView = z.output<typeof networkView>;

/** A code by which one phone is let in. */
export const phoneCode = z.object({
  code: z.string(),
  /** Real moment until which it holds. */
  until: z.iso.datetime(),
});
export type PhoneCode = z.output<typeof phoneCode>;

export const joinPhone = z.strictObject({
  /** As it was typed: spaces and small letters do no harm. */
  code: z.string().max(20),
  name,
});

/** What a phone says of itself. */
export const phoneReport = z.strictObject({
  who: name,
  /** Address of the screen that it shows. */
  screen: z.string().max(200),
  /** Of the application that it runs. */
  version: z.string().max(40),
  /** Entries that wait on it to be sent. */
  waiting: z.number().int().min(0).max(100_000),
  /** Entries and bookings that it knows and the server does not. */
  aside: z.number().int().min(0).max(100_000).default(0),
  /** What its clock shows, ms since 1970. */
  nowMs: z.number().optional(),
});
export type PhoneReport = z.output<typeof phoneReport>;

export const phone = z.object({
  id: z.string(),
  name: z.string(),
  addedAt: z.iso.datetime(),
  /** Real moment at which it was heard last; nothing where it never was. */
  seenAt: z.iso.datetime().nullable(),
  /** What it said then. */
  report: phoneReport.nullable(),
  /** Who is to have it, as long as it has not heard so. */
  handedTo: z.string().nullable(),
});
export type Phone = z.output<typeof phone>;

export const phoneChange = z.strictObject({ name: name.optional(), handTo: name.optional() });
