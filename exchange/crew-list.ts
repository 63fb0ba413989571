import { instructorFields } from '@core/people/crew/at-start';
import { instructorId, NEW_INSTRUCTOR } from '@core/people/crew';
import type { Json } from '@core/values';
import { languageIn } from './language-words';
import type { RecordColumn, RecordList } from './record-list';

interface NamedCar {
  readonly id: string;
  readonly name: string;
  readonly number: number;
}

/** The columns of a list of the crew, as it goes out and comes in; cars by their numbers, or by name. */
export function crewColumns(cars: readonly NamedCar[]): readonly RecordColumn[] {
  const numberOf = new Map(cars.map(({ id, number }) => [id, String(number)]));
  const carOf = (word: string) =>
    cars.find(({ name, number }) => String(number) === word || name.toLowerCase() === word.toLowerCase())?.id;
  return [
    { header: 'name', also: 'instructor, lehrer, nom, nombre', required: true, path: 'name', kind: 'text' },
    { header: 'languages', also: 'language, sprachen, langues', path: 'languages', kind: 'words', means: languageIn },
    { header: 'hours', also: 'usual hours, zeiten, heures', path: 'available', kind: 'windows' },
    { header: 'class', also: 'gives the class, briefing', path: 'brief', kind: 'yes' },
    { header: 'sighting run', also: 'sighting', path: 'sighting', kind: 'yes' },
    { header: 'lead car', also: 'leads', path: 'leadCar', kind: 'yes' },
    { header: 'spotter', also: 'spots', path: 'spotter', kind: 'yes' },
    { header: 'rides', also: 'gives rides', path: 'rides', kind: 'yes' },
    { header: 'marshal', path: 'marshal', kind: 'yes' },
    { header: 'blocker', path: 'blocker', kind: 'yes' },
    { header: 'push crew', also: 'pushes', path: 'push', kind: 'yes' },
    {
      ...{ header: 'cars', also: 'teaches in, autos', path: 'cars', kind: 'words' as const, all: 'all' },
      means: carOf,
      says: (id) => numberOf.get(id) ?? id,
    },
    { header: 'only with a shift', path: 'byRoster', kind: 'yes' },
    { header: 'laps a day', path: 'maxLaps', kind: 'number' },
  ];
}

/** A list of the crew: a row finds its person by the name. Of somebody new, the name is enough. */
export function crewList(
  crew: readonly { readonly id: string }[],
  cars: readonly NamedCar[],
  available: readonly { readonly from: string; readonly to: string }[],
): RecordList<typeof instructorFields> {
  const taken = new Set(crew.map(({ id }) => id));
  return {
    columns: crewColumns(cars),
    schema: instructorFields,
    key: 'name',
    fresh: (): Json => {
      const id = instructorId(taken);
      taken.add(id);
      return { ...NEW_INSTRUCTOR, id, available: [...available] };
    },
  };
}
