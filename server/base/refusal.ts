import type { Problem, RequestRefusal } from '@core/api';
import { fact, type Fault } from '@core/values';
import { BY_ID, wordsIn } from '@words';

/** An expected refusal; the error handler sends it as a problem document (RFC 9457). */
export class Refusal extends Error {
  readonly problem: Problem;

  constructor(status: number, detail: string, more: Pick<Problem, 'faults' | 'facts' | 'current'> = {}) {
    super(detail);
    this.problem = { type: 'about:blank', title: TITLES[status] ?? 'Refused', status, detail, ...more };
  }
}

const TITLES: Readonly<Record<number, string>> = {
  400: 'Faulty request',
  403: 'Not allowed',
  404: 'Not found',
  409: 'Conflict',
  413: 'Too large',
  415: 'Other content expected',
  421: 'Unknown name',
  422: 'Cannot be used',
  429: 'Too many requests',
  500: 'Unexpected fault',
  503: 'Busy',
};

/** The status of each refusal: one that is missing does not compile. */
const STATUS: Readonly<Record<RequestRefusal['code'], number>> = {
  notThere: 404,
  idTaken: 409,
  idIsACars: 409,
  idIsAVehicles: 409,
  otherEntryHasId: 409,
  dayThere: 409,
  dayInUse: 409,
  changedMeanwhile: 409,
  acceptedMeanwhile: 409,
  keepsChanging: 409,
  baseGone: 409,
  planningAlready: 409,
  faulty: 400,
  unreadableFile: 422,
  unreadableList: 422,
  noCalendar: 422,
  faultyFile: 422,
  faultyCircuit: 422,
  faultyCue: 422,
  notJson: 400,
  unreadableRequest: 400,
  unknownFormat: 422,
  notAPicture: 415,
  otherContent: 415,
  tooLarge: 413,
  tooManyLines: 429,
  picturesFull: 413,
  inTheJournal: 409,
  referenceTaken: 409,
  sameDay: 409,
  joinedToItself: 422,
  tooManyDrives: 422,
  nothingSplit: 422,
  splitCostsMore: 422,
  dayFull: 409,
  noPlanYet: 409,
  otherDrive: 409,
  noLongerHelps: 409,
  guestGone: 409,
  noPlaceSent: 409,
  placeTaken: 409,
  noMoreDrives: 409,
  otherTime: 409,
  otherLapsOwed: 409,
  aheadOfClock: 409,
  acceptedByPlanning: 409,
  circuitNotPlaced: 409,
  marksNameIt: 409,
  sameGuest: 409,
  linkedToItself: 422,
  linkToNothing: 422,
  linkedBackwards: 422,
  managerOnly: 403,
  codeSetHere: 403,
  codeNeedsHttps: 403,
  wrongCode: 403,
  tooManyCodes: 429,
  notAdded: 403,
  phonePutOut: 403,
  wrongPhoneCode: 403,
  demoOnly: 403,
  practiceOnly: 403,
  foreignPage: 403,
  unknownHost: 421,
  tooManyStreams: 429,
  readingOthers: 503,
  unexpected: 500,
};

interface Besides {
  readonly faults?: readonly Fault[];
  /** What stands now, in its encoded form. */
  readonly current?: unknown;
  /** In place of the status of its kind. */
  readonly status?: number;
}

/** The refusal that a fact is, told in words, with the fact itself. */
export function refusalOf(what: RequestRefusal, { faults, current, status }: Besides = {}): Refusal {
  return new Refusal(status ?? STATUS[what.code], wordsIn('en', BY_ID).request(what), {
    facts: [what],
    ...(faults && { faults: [...faults] }),
    ...(current !== undefined && { current }),
  });
}

type NotThere = Extract<RequestRefusal, { code: 'notThere' }>;

export function notFound(kind: NotThere['values']['kind'], id?: string, date?: string): Refusal {
  return refusalOf(fact('notThere', { id, date }, { kind }));
}
