import { contract } from '@core/api';
import type { InstructorFields } from '@core/people/crew';
import { concatMap, from, switchMap, toArray, type Observable } from 'rxjs';
import type { Api } from '../../../shared/data/api';

/** Changes some of the crew one after the other, each as stored now: what somebody else has saved meanwhile stays. */
export function changeCrew(
  api: Api,
  crew: readonly Pick<InstructorFields, 'id'>[],
  change: (fields: InstructorFields) => InstructorFields,
): Observable<unknown> {
  const ids = new Set(crew.map(({ id }) => id));
  return api.call(contract.listInstructors).pipe(
    switchMap(({ instructors }) => from(instructors.filter(({ id }) => ids.has(id)))),
    concatMap(({ version, id, fields }) =>
      api.call(contract.changeInstructor, { params: { id }, body: { version, fields: change(fields) } }),
    ),
    toArray(),
  );
}
