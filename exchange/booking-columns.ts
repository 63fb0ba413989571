import type { BookingFields, PaceClass } from '@core/venue/booking';
import type { ListWord } from '@core/api';
import { dateIn, timeIn, type DateOrder } from '@core/values';
import { distance } from 'fastest-levenshtein';
import { languageIn } from './language-words';
import { numberIn } from './list-rows';

/** What cells may name: the fleet, the crew, and the drives that the booking has already. */
export interface BookingNames {
  readonly cars: readonly {
    readonly id: string;
    readonly name: string;
    readonly number: number;
    readonly lapPrice?: number | undefined;
  }[];
  readonly instructors: readonly { readonly id: string; readonly name: string }[];
  /** What words of this venue's lists mean. */
  readonly words?: readonly ListWord[];
}

export interface CellContext extends BookingNames {
  readonly decimalComma: boolean;
  readonly dateOrder: DateOrder;
  readonly reference: string;
  /** Ids of the drives that this booking has, in order; a changed list keeps them. */
  readonly driveIds: readonly string[];
}

/** A cell that can't be read; the message becomes the reason in the preview. */
export class CellError extends Error {
  /** @param unknown cars and languages that the cell names and nobody knows */
  constructor(
    message: string,
    readonly unknown: { readonly cars?: readonly string[]; readonly languages?: readonly string[] } = {},
    /** The column at fault, where the value stands in two. */
    readonly part?: 'car' | 'laps',
  ) {
    super(message);
  }
}

interface Described {
  /** Header in the file; case, spaces and underscores do not matter. */
  readonly header: string;
  readonly required?: boolean;
  /** What the documentation says about the cell. */
  readonly meaning: string;
  /** Value of a cell that is not empty. */
  read(cell: string, context: CellContext): unknown;
  /** Value of an empty cell, and of a new booking whose list lacks the column. */
  readonly empty?: unknown;
}

interface Column extends Described {
  readonly field: keyof BookingFields;
}

const text = (cell: string) => cell;

/** What may stand behind a comma and is no given name. */
const BEHIND_NAMES = /^(jr|sr|i{2,3}|iv|dr|md|phd|msc|esq|mr|mrs|ms|herr|frau)\.?$/i;

/** A name in the order in which it is said: `Faro, Ines` is Ines Faro. */
export function givenFirst(cell: string): string {
  const [surname, given, ...more] = cell.split(/\s*,\s*/);
  const turned = surname && given && more.length === 0 && /\p{L}/u.test(given) && !BEHIND_NAMES.test(given);
  return turned ? `${given} ${surname}` : cell;
}

function number(cell: string, { decimalComma }: CellContext): number {
  const read = numberIn(cell, decimalComma);
  if (read === undefined) throw new CellError(`expected a number, got "${cell}"`);
  return read;
}

function time(cell: string): number {
  const read = timeIn(cell);
  if (read === undefined) throw new CellError(`expected a time of day such as 9:40, got "${cell}"`);
  return read;
}

function date(cell: string, { dateOrder }: CellContext): string {
  const read = dateIn(cell, dateOrder);
  if (read === undefined) throw new CellError(`expected a date such as 1990-05-31 or 31.5.1990, got "${cell}"`);
  return read;
}

/** The car of the fleet that a name may be a misspelling of, by its id; nothing where none is near, or two names are as near. */
export function nearestCar(word: string, cars: BookingNames['cars']): string | undefined {
  const plain = (name: string) =>
    name
      .normalize('NFKD')
      .toLowerCase()
      .replace(/[^\p{L}\p{N}]/gu, '');
  const wanted = plain(word);
  const byDistance = cars
    .map(({ id, name }) => ({ id, name: plain(name), off: distance(plain(name), wanted) }))
    .sort((a, b) => a.off - b.off);
  const [first] = byDistance;
  if (!first || first.off > Math.max(1, Math.floor(wanted.length / 3))) return undefined;
  const isSure = byDistance.every(({ name, off }) => off > first.off || name === first.name);
  return isSure ? first.id : undefined;
}

/** What the venue has said that a word means. */
function meansIn(words: readonly ListWord[] | undefined, kind: ListWord['kind'], word: string): string | undefined {
  return words?.find((one) => one.kind === kind && one.word === word.toLowerCase())?.means;
}

function languages(cell: string, { words: own }: CellContext): string[] {
  const unknown: string[] = [];
  const read = words(cell).flatMap((word) => {
    const code = meansIn(own, 'language', word) ?? languageIn(word);
    if (code === undefined) unknown.push(word);
    return code === undefined ? [] : [code];
  });
  if (unknown.length > 0) {
    const message = `expected languages such as "en de" or "German", got "${unknown.join('", "')}"`;
    throw new CellError(message, { languages: unknown });
  }
  return [...new Set(read)];
}

function yes(cell: string): boolean {
  if (/^(yes|y|true|1|x)$/i.test(cell)) return true;
  if (/^(no|n|false|0|-)$/i.test(cell)) return false;
  throw new CellError(`expected yes or no, got "${cell}"`);
}

function choice<T>(words: Readonly<Record<string, T>>): (cell: string) => T {
  return (cell) => {
    const found = words[cell.toLowerCase()];
    if (found === undefined) throw new CellError(`expected ${Object.keys(words).join(', ')}, got "${cell}"`);
    return found;
  };
}

const words = (cell: string) => cell.split(/[\s,;/+]+/).filter((word) => word !== '');

/** What laps are called behind their number, in the languages in which lists come. */
const LAP_WORDS =
  'laps?|runden?|rd|tours?|vueltas?|voltas?|gir[io]|rondes?|ronden?|rondjes|varv|omgang(?:er)?|kierrosta';
const LAPS = new RegExp(`^[x×]?\\s*(\\d+)\\s*(?:[x×]|\\p{L}+\\.?)?$`, 'iu');
const CAR_AND_LAPS = new RegExp(`^(.*?)\\s*(?:[x×]\\s*(\\d+)|[\\s,:]\\s*(\\d+)\\s*(?:${LAP_WORDS})\\.?)$`, 'iu');
const LAPS_AND_CAR = new RegExp(`^(\\d+)\\s*(?:[x×]|${LAP_WORDS})\\s+(.+)$`, 'iu');

/** Laps as people write them in a column of their own: `6`, `x6`, `6 laps`, `6 Runden`; nothing where there are none. */
export function lapsIn(cell: string): number | undefined {
  const [, laps] = LAPS.exec(cell.trim()) ?? [];
  return laps === undefined ? undefined : Number(laps);
}

/** A car, or cars of which any will do, and its laps: `Sabrel R x5`, `Sabrel R 5 laps`, `5 Runden Sabrel R`. */
export function carAndLaps(text: string): { readonly car: string; readonly laps: number } | undefined {
  const behind = CAR_AND_LAPS.exec(text.trim());
  if (behind?.[1]) return { car: behind[1], laps: Number(behind[2] ?? behind[3]) };
  const before = LAPS_AND_CAR.exec(text.trim());
  return before ? { car: before[2]!, laps: Number(before[1]) } : undefined;
}

/** `Sabrel R x5 + Halyard GT / Tessel Turbo x7`: drives joined by +, cars of which any will do by /, laps behind x; `ride` before it. */
function drives(cell: string, { cars, driveIds, reference, words: own }: CellContext): BookingFields['drives'] {
  const unknown: string[] = [];
  const read = cell.split('+').map((part, position) => {
    const booked = carAndLaps(part);
    if (!booked) {
      const example = cars[0]?.name ?? 'Car 1';
      throw new CellError(`expected a car and its laps such as "${example} x5", got "${part.trim()}"`);
    }
    const { laps } = booked;
    if (laps < 1 || laps > 50) throw new CellError(`expected 1 to 50 laps, got ${laps}`);
    const ride = /^ride\s+(?:in\s+)?/i.exec(booked.car)?.[0] ?? '';
    const named = booked.car
      .slice(ride.length)
      .split('/')
      .flatMap((word) => {
        const wanted = word.trim().toLowerCase();
        const meant = meansIn(own, 'car', wanted);
        const found = cars.filter(
          (car) =>
            car.id === meant ||
            car.name.toLowerCase() === wanted ||
            car.id.toLowerCase() === wanted ||
            String(car.number) === wanted,
        );
        if (found.length === 0) unknown.push(word.trim());
        return found.map((car) => car.id);
      });
    const id = driveIds[position] ?? `${reference.slice(0, 56)}-${position + 1}`;
    return { id, cars: [...new Set(named)], laps, ...(ride && { ride: { seats: 1 } }) };
  });
  if (unknown.length > 0) throw new CellError(`no car "${unknown.join('", "')}" in the fleet`, { cars: unknown });
  return read;
}

function crew(cell: string, { instructors }: CellContext): string[] {
  return cell.split(/[,;/+]/).map((word) => {
    const wanted = word.trim().toLowerCase();
    const found = instructors.find(({ id, name }) => name.toLowerCase() === wanted || id.toLowerCase() === wanted);
    if (!found) throw new CellError(`no instructor "${word.trim()}" in the crew`);
    return found.id;
  });
}

const references = (cell: string) =>
  [...new Set(cell.split(/[,;/+]/).map((word) => word.trim()))].filter((word) => word !== '');

const PACE_WORDS: Record<string, PaceClass> = {
  'first time': 'first',
  first: 'first',
  'driven before': 'before',
  'has driven before': 'before',
  'been before': 'before',
  before: 'before',
  quick: 'quick',
};

/** The column of each field of a booking, in the order in which the documentation gives them: one that is missing does not compile. */
const COLUMNS: Readonly<Record<keyof BookingFields, Described>> = {
  reference: {
    header: 'reference',
    required: true,
    meaning: 'the booking’s own number; by it a row finds its booking again',
    read: text,
  },
  name: {
    header: 'name',
    required: true,
    meaning: 'the guest; `Faro, Ines` is read as `Ines Faro`',
    read: givenFirst,
  },
  arrives: { header: 'arrives', required: true, meaning: 'time of day, `9:40`', read: time },
  drives: {
    header: 'drives',
    required: true,
    meaning:
      '`Sabrel R x5 + Halyard GT / Tessel Turbo x7`: drives joined by `+`, cars of which any will do by `/`, laps behind `x` or as `5 laps`, `5 Runden`; a car by its name, number or id; `ride Sabrel R x2` is one beside the instructor',
    read: drives,
  },
  leavesBy: { header: 'leaves by', meaning: 'time of day', read: time },
  party: { header: 'party', meaning: 'a word that friends and family share', read: text },
  languages: {
    header: 'languages',
    meaning: 'codes such as `en de`, or names such as `German`; English where empty',
    read: languages,
    empty: ['en'],
  },
  pace: {
    header: 'pace',
    meaning: '`first time`, `driven before` or `quick`; first time where empty',
    read: choice(PACE_WORDS),
    empty: 'first',
  },
  heightCm: { header: 'height cm', meaning: 'number', read: number },
  weightKg: { header: 'weight kg', meaning: 'number', read: number },
  helmet: { header: 'helmet', meaning: 'size, such as `M`', read: text },
  gearbox: {
    header: 'gearbox',
    meaning: '`automatic` or `paddles`',
    read: choice({ automatic: 'auto', auto: 'auto', paddles: 'paddle', paddle: 'paddle' }),
  },
  carAtHome: { header: 'car at home', meaning: 'text', read: text },
  drivesOn: {
    header: 'drives on',
    meaning: '`left` or `right`: the side of the road at home',
    read: choice({ left: 'left', right: 'right' }),
  },
  touch: {
    header: 'touch prompt',
    meaning: '`yes` or `no`: a hand on the wheel or a tap on the knee is all right; asked at the gate where empty',
    read: yes,
  },
  sequence: {
    header: 'order',
    meaning: '`any` or `as listed`',
    read: choice({ any: 'any', 'as listed': 'asListed' }),
    empty: 'any',
  },
  price: { header: 'price', meaning: 'amount in the venue’s currency', read: number, empty: 0 },
  paid: { header: 'paid', meaning: 'amount', read: number, empty: 0 },
  email: { header: 'email', meaning: 'e-mail address', read: text },
  phone: { header: 'telephone', meaning: 'text', read: text },
  birthday: { header: 'birthday', meaning: '`1990-05-31`, `31.5.1990`, `31 May 1990` and the like', read: date },
  occasion: { header: 'occasion', meaning: 'text', read: text },
  notes: { header: 'notes', meaning: 'text, line breaks allowed', read: text },
  healthNote: { header: 'health note', meaning: 'text', read: text },
  briefed: {
    header: 'briefed',
    meaning: '`yes` where the class is behind the guest and still valid',
    read: yes,
    empty: false,
  },
  sighted: { header: 'sighted', meaning: '`yes` where the circuit is known already', read: yes, empty: false },
  cancelled: { header: 'cancelled', meaning: 'why, or `yes`; empty where it is not', read: text },
  preferInstructors: { header: 'prefers', meaning: 'instructors by name', read: crew, empty: [] },
  avoidInstructors: { header: 'avoids', meaning: 'instructors by name', read: crew, empty: [] },
  sameTimeAs: {
    header: 'same time as',
    meaning: 'references of friends with whom to be on the circuit',
    read: references,
  },
  inTurnWith: {
    header: 'in turn with',
    meaning: 'references of friends who drive one after the other',
    read: references,
  },
  sameInstructorAs: {
    header: 'same instructor as',
    meaning: 'references of friends who share an instructor',
    read: references,
  },
};

/** The columns of a booking list, in the order in which the documentation gives them. */
export const BOOKING_COLUMNS: readonly Column[] = Object.entries(COLUMNS).map(([field, column]) => ({
  ...column,
  field: field as keyof BookingFields,
}));

/** What columns were called before; lists of then are still read. */
const EARLIER_HEADERS: Readonly<Record<string, string>> = { prompting: 'touch prompt' };

/** A header as it is compared: lower case, single spaces. */
export function normalHeader(header: string): string {
  const plain = header
    .trim()
    .toLowerCase()
    .replace(/[\s_-]+/g, ' ');
  return EARLIER_HEADERS[plain] ?? plain;
}

/**
 * What columns are called in lists of other programs and languages, by the column that they are. Accents are left out, as
 * `columnOf` does.
 */
const ALSO_CALLED: Readonly<Record<string, string>> = {
  date: 'event date, event day, day, on, datum, tag, termin, jour, fecha, dia, data, giorno, dag, dato',
  reference:
    'booking, booking no, booking number, booking reference, order no, ticket, voucher, code, buchung, buchungsnummer, auftrag, gutschein, nummer, numero, reservation, no de reservation, bon, reserva, localizador, prenotazione, buono, boeking, bestelling',
  name: 'guest, guest name, full name, customer, participant, driver, gast, teilnehmer, kunde, fahrer, nom, nom complet, client, participant, conducteur, nombre, cliente, invitado, nome, ospite, pilota, naam, klant',
  arrives:
    'arrival, arrival time, time, check in, ankunft, anreise, uhrzeit, zeit, arrivee, heure, heure d arrivee, llegada, hora, arrivo, ora, aankomst, tijd',
  drives:
    'cars and laps, experience, programme, fahrten, erlebnis, sessions, essais, vueltas y coche, giri e auto, ritten',
  car: 'vehicle, model, auto, fahrzeug, wagen, voiture, vehicule, coche, macchina, vettura',
  laps: 'number of laps, runden, anzahl runden, tours, nombre de tours, vueltas, giri, ronden, rondes',
  'leaves by': 'departure, leaves, abreise, abfahrt, depart, salida, partenza, vertrek',
  party: 'group, family, gruppe, familie, groupe, famille, grupo, gruppo, groep',
  languages: 'language, sprache, sprachen, langue, langues, idioma, lingua, taal, talen',
  'height cm': 'height, grosse, groesse, korpergrosse, taille, altura, altezza, lengte',
  'weight kg': 'weight, gewicht, poids, peso',
  price: 'total, amount, preis, betrag, summe, prix, montant, precio, importe, prezzo, importo, prijs, bedrag',
  paid: 'deposit, bezahlt, anzahlung, paye, acompte, pagado, pagato, betaald',
  email: 'e mail, mail, e mail address, courriel, correo, posta',
  telephone:
    'phone, tel, phone no, phone number, telephone number, mobile, mobile no, cell, handy, handynummer, telefon, telefonnummer, telefoon, mobiel, portable, telefono, movil, cellulare',
  birthday:
    'date of birth, born, geburtstag, geburtsdatum, date de naissance, nacimiento, data di nascita, geboortedatum',
  occasion: 'anlass, occasion speciale, ocasion, occasione, gelegenheid',
  notes:
    'note, comment, comments, remarks, bemerkung, bemerkungen, notiz, remarque, remarques, commentaire, notas, opmerking, opmerkingen',
};
/** The day of a row is no field of a booking: it says whether the row is one of this day at all. */
export const DATE_COLUMN = 'date';
const CALLED = new Map(
  Object.entries(ALSO_CALLED).flatMap(([column, names]) => names.split(', ').map((name) => [name, column] as const)),
);

/** The column that a header stands for: as the venue has said, or in whichever language; one that is not known as it is. */
export function columnOf(header: string, words?: readonly ListWord[]): string {
  const own = normalHeader(header);
  const meant = meansIn(words, 'column', own);
  if (meant !== undefined) return meant;
  if (own in ALSO_CALLED || BOOKING_COLUMNS.some((column) => column.header === own)) return own;
  const plain = own
    .normalize('NFKD')
    .replace(/\p{M}/gu, '')
    .replaceAll('ß', 'ss')
    .replace(/[^a-z0-9]+/g, ' ')
    .trim();
  return CALLED.get(plain) ?? own;
}
