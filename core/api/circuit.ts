import * as z from 'zod';
import { showFields } from '../people/classroom';
import { versionOrNone } from './endpoint';
import { circuitFile, coneKind, origin, WHEELED_LINES } from '../track/circuit/at-start';
/** The venue's circuit, its show and pictures, as web and server exchange them. */

/** Version 0 stands for a circuit that has never been saved. */
export const storedCircuit = z.object({ version: versionOrNone, circuit: circuitFile.nullable() });
export type StoredCircuit = z.output<typeof storedCircuit>;

const knownPlace = z.strictObject({
  xM: z.number().min(-1e7).max(1e7),
  yM: z.number().min(-1e7).max(1e7),
  ...origin.shape,
});

export const circuitToRead = z.strictObject({
  /** Tells the format: .geojson, .json, .csv or .gpx. */
  fileName: z.string().min(1).max(200),
  text: z.string().max(4_500_000, 'expected at most 4.5 MB of text'),
  widthM: z.strictObject({ left: z.number().min(0.5).max(50), right: z.number().min(0.5).max(50) }).optional(),
  /** Two places of a file in plane coordinates that are known on the globe. */
  placed: z.tuple([knownPlace, knownPlace]).optional(),
});

export const readCircuitReply = z.object({ circuit: circuitFile, assumed: z.array(z.string()) });

/** Cones in the order in which they are set out, as the sheet has them. */
export const setOutSheet = z.strictObject({
  circuit: z.string().max(200),
  /** The line along which distances are wheeled. */
  along: z.enum(WHEELED_LINES),
  cones: z
    .array(
      z.strictObject({
        id: z.string().max(100),
        kind: coneKind,
        corner: z.string().max(60).optional(),
        /** From the start and from the cone before, along that line, metres. */
        atM: z.number(),
        fromLastM: z.number(),
        side: z.enum(['left', 'right']),
        beyondEdgeM: z.number(),
        xM: z.number(),
        yM: z.number(),
        colour: z.string().max(30),
        count: z.number().int(),
        note: z.string().max(200).optional(),
      }),
    )
    .max(1000),
});
export type SetOutSheet = z.output<typeof setOutSheet>;

/** A cone or a board as a map draws it. */
export const standingCone = z.object({
  id: z.string(),
  /** East and north, metres. */
  xM: z.number(),
  yM: z.number(),
  css: z.string(),
  board: z.boolean(),
});
export type StandingCone = z.output<typeof standingCone>;

export const storedShow = z.object({ version: versionOrNone, fields: showFields });
export type StoredShow = z.output<typeof storedShow>;
