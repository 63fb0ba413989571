import { carFields, venueOfCars, type CarFields } from '@core/venue/fleet';
import type { VenueFields } from '@core/venue/settings';
import { instructorFields } from '@core/people/crew/at-start';
import { type InstructorFields } from '@core/people/crew';
import { wallClock, type Json } from '@core/values';
import { crewList } from '@exchange/crew-list';
import { carList } from '@exchange/fleet-list';
import { readRecordList } from '@exchange/record-list';
import * as z from 'zod';

interface StoredFields<T> {
  readonly id: string;
  readonly version: number;
  readonly fields: T;
}

/** What a list of cars is read against. */
export interface CarsToRead {
  readonly stored: readonly StoredFields<CarFields>[];
  readonly venue: Pick<VenueFields, 'opens' | 'closes' | 'circuit' | 'currency'>;
}

/** What a list of the crew is read against. */
export interface CrewToRead {
  readonly stored: readonly StoredFields<InstructorFields>[];
  readonly cars: readonly { readonly id: string; readonly name: string; readonly number: number }[];
  readonly venue: Pick<VenueFields, 'opens' | 'closes'>;
}

export type RecordsRead = ReturnType<typeof readRecordList>;

export function readCars(csv: string, { stored, venue }: CarsToRead): RecordsRead {
  return readRecordList(csv, carList(stored, venueOfCars(venue, venue.currency)), encoded(carFields, stored));
}

export function readCrew(csv: string, { stored, cars, venue }: CrewToRead): RecordsRead {
  const hours = [{ from: wallClock(venue.opens), to: wallClock(venue.closes) }];
  return readRecordList(csv, crewList(stored, cars, hours), encoded(instructorFields, stored));
}

function encoded<S extends z.ZodType>(schema: S, stored: readonly StoredFields<z.output<S>>[]) {
  return stored.map(({ id, version, fields }) => ({ id, version, fields: z.encode(schema, fields) as Json }));
}
