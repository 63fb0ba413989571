import type { ConeKind, Marker } from '@core/track/circuit';
import { callsIn, faultIn, goodThingIn, questionIn, wordIn, type QuestionWords } from '../guests/common';
import { GERMAN_CALLS } from './calls';
import { GERMAN_FAULTS, GERMAN_GOOD_THINGS } from './faults';
import type { GuestWords } from '../guests/guest-words';
import { numbersIn } from '../guests/numbers';
import { markerWords } from '../en/terms';

const numbers = numbersIn('de');
const { fixed, lapTime } = numbers;
const COUNTS = ['keine', 'eine', 'zwei', 'drei', 'vier', 'fünf', 'sechs'];
const laps = (count: number) => `${COUNTS[count] ?? count} Runde${count === 1 ? '' : 'n'}`;
const SIDES = { left: 'links', right: 'rechts' };
const APEXES = { early: 'früher', middle: 'mittlerer', late: 'später', double: 'doppelter' };
const CONES: Readonly<Record<ConeKind, string>> = {
  brake: 'bremsen',
  turnIn: 'einlenken',
  apex: 'Scheitelpunkt',
  exit: 'Kurvenausgang',
  gate: 'Tor',
  boundary: 'Begrenzung',
  pullOff: 'anhalten',
  distance: 'Abstand zur Kurve',
  keepOff: 'nicht über diesen Randstein',
  guideLine: 'Leitlinie',
  safetyZone: 'Sicherheitszone',
};
const PATTERNS = { plain: '', banded: ', mit Streifen', lying: ', liegend', inRow: ', hintereinander' } as const;
const condition = wordIn({ dry: 'trocken', damp: 'feucht', wet: 'nass' });
const colour = wordIn({
  white: 'weiß',
  violet: 'violett',
  yellow: 'gelb',
  blue: 'blau',
  copper: 'kupferfarben',
  orange: 'orange',
  black: 'schwarz',
  pink: 'pink',
  red: 'rot',
  green: 'grün',
  lime: 'hellgrün',
});
const QUESTIONS: QuestionWords = {
  pedals: {
    text: 'Werden Bremse und Gas jemals gleichzeitig gedrückt?',
    answers: ['Ja, um schnell zu sein', 'Niemals', 'Nur bei Nässe'],
    because: 'Immer arbeitet nur ein Fuß: bremsen, lösen, dann Gas.',
  },
  look: {
    text: 'Wohin schauen Sie beim Bremsen?',
    answers: ['Auf den Kegel neben mir', 'Voraus, zum Einlenken und weiter zum Scheitelpunkt', 'In den Spiegel'],
    because: 'Das Auto fährt dorthin, wohin Sie schauen.',
  },
  brakeCone: {
    text: 'Was davon sagt: bremsen?',
    answers: ['Das fürs Einlenken', 'Das fürs Bremsen', 'Das am Scheitelpunkt', 'Das am Ausgang'],
    because: 'Erst bremsen, dann einlenken: jedes hat seinen Ort und sein Aussehen.',
  },
  mirrors: {
    text: 'Für wen sind die Spiegel eingestellt?',
    answers: ['Für mich', 'Für den Instruktor'],
    because: 'Der Instruktor schaut nach hinten; Sie schauen nach vorn.',
  },
  unwell: {
    text: 'In der dritten Runde ist Ihnen etwas unwohl. Was nun?',
    answers: ['Durchhalten, es ist bald vorbei', 'Sofort sagen'],
    because: 'Wir halten an, und die übrigen Runden werden aufgehoben.',
  },
};

function look(marker: Marker): string {
  const cones = () => `Kegel, ${colour(marker.colour)}${PATTERNS[marker.pattern]}`;
  return markerWords(marker, 'ein Paar', cones);
}

export const GERMAN: GuestWords = {
  language: 'Deutsch',
  locale: 'de',
  numbers,
  results: {
    laps: (count) => (count === 1 ? 'Runde' : 'Runden'),
    lapsIn: (count, seconds) => `${laps(count)} in ${lapTime(seconds)}`,
    lapsWithoutTime: (count) => `${laps(count)} ohne Zeit`,
    lapsOwed: (count) => `Abgebrochen: ${laps(count)} davon ${count === 1 ? 'steht' : 'stehen'} Ihnen noch zu`,
    bestLap: (car) => `beste Runde, ${car}`,
    gainedMost: 'schneller innerhalb einer Fahrt',
    withInstructor: (instructor) => `mit ${instructor}`,
    best: (seconds) => `beste ${lapTime(seconds)}`,
    noCleanLap: 'keine saubere Runde mit Zeit',
    gain: (seconds, withinS) =>
      `${fixed(Math.abs(seconds), 1)} s ${seconds >= 0 ? 'schneller' : 'langsamer'}, auf ${fixed(withinS, 1)} s genau`,
    paceIndex: (index, within) => `Tempoindex ${fixed(index, 3)} ± ${fixed(within, 3)}`,
    steady: (spreadS) => `gleichmäßig auf ${fixed(spreadS, 1)} s`,
    good: (things) => `Gut: ${things.join(', ')}`,
    workedOn: (faults) => `Daran gearbeitet: ${faults.join(', ')}`,
    learned: 'Das können Sie jetzt',
    noLonger: (fault) => `nicht mehr: ${fault}`,
    oneThing: 'Eins fürs nächste Mal',
    gainWithin: 'Zugewinn in jeder Fahrt',
    paceForTheCar: 'Tempo für das Auto',
    tooFewLaps: 'Noch hat keine Fahrt genug saubere Runden dafür.',
    lap: 'Runde',
    index: 'Index',
    spoiled: 'gestört',
    noDriveYet: 'Heute noch keine Fahrt. Nach der ersten füllt sich diese Seite von selbst.',
    noSuchGuest: 'An diesem Tag gibt es diesen Gast nicht.',
    toTakeHome: 'PDF zum Mitnehmen',
    withFriends: 'Mit Freunden',
    print: 'Drucken',
    drives: 'Fahrten',
    lapsAndMarks: 'Runden und Hinweise',
    noMarks: 'Keine Hinweise',
    marksAt: (places) => `Hinweise nach Kurven: ${places.join(', ')}`,
    calledOtherwise: (places) => `Hinweise an Kurven, die jetzt anders heißen: ${places.join(', ')}`,
    phase: {
      look: 'Blick',
      brake: 'Bremsen',
      gear: 'Gang',
      release: 'Lösen',
      turnIn: 'Einlenken',
      apex: 'Scheitel',
      balance: 'Balance',
      throttle: 'Gas',
      exit: 'Ausgang',
      slide: 'Rutschen',
      whole: 'Ganze Fahrt',
    },
    fault: faultIn(GERMAN_FAULTS),
    goodThing: goodThingIn(GERMAN_GOOD_THINGS),
  },
  show: {
    slide: {
      welcome: { title: 'Willkommen', words: [] },
      seat: {
        title: 'So sitzt man',
        words: [
          'Näher als auf der Straße: Knie gebeugt bei kräftig gedrückter Bremse',
          'Handgelenke reichen oben aufs Lenkrad, Schultern bleiben im Sitz',
          'Beide Hände am Lenkrad, auf gleicher Höhe, immer',
        ],
      },
      paddles: {
        title: 'Schaltwippen: Gänge mit dem Finger',
        words: [
          'Rechts ziehen: ein Gang hinauf. Links ziehen: ein Gang zurück',
          'Ein kurzer Zug, ein Gang; die Hände bleiben, wo sie sind',
          'Zurück nur, während Sie bremsen; hinauf nur mit fast geradem Lenkrad',
          'Der Instruktor sagt, wann und in welchen. Was dem Auto schadet, nimmt es nicht an',
          'In Automatik lassen Sie sie in Ruhe; ein Zug aus Versehen schadet nicht',
        ],
      },
      eyes: {
        title: 'Weit vorausschauen',
        words: [
          'Das Auto fährt dorthin, wohin Sie schauen',
          'Beim Bremsen: zum Einlenken. Beim Lenken: zum Scheitelpunkt. Am Scheitelpunkt: zum Ausgang',
          'Einen Kegel sieht man aus dem Augenwinkel',
        ],
      },
      grip: {
        title: 'Ein Vorrat an Haftung',
        words: [
          'Ein Reifen hat so viel Haftung: zu teilen zwischen Bremsen, Ziehen und Lenken',
          'Volles Bremsen lässt wenig zum Lenken: beim Lenken lösen. Volle Kurvenfahrt lässt nichts fürs Gas',
          'Öffnet sich das Lenkrad, darf das Gas folgen',
        ],
      },
      weight: {
        title: 'Das Gewicht wandert',
        words: [
          'Bremsen drückt die Vorderräder an: sie lenken das Auto',
          'Gas drückt hinten an: vorn wird es leicht',
          'Die Stabilitätsregelung hilft; ruhige Füße helfen mehr',
        ],
      },
      aids: {
        title: 'Was das Auto für Sie tut',
        words: [
          'Blockierschutz, im Notfall: voll bremsen; das Auto lenkt noch etwas, um ein Hindernis herum',
          'Die Antriebsregelung nimmt Kraft weg, wo Räder durchdrehen würden',
          'Die Stabilitätsregelung bremst einzelne Räder, wenn das Auto nicht dorthin fährt, wohin Sie lenken',
          'Ohne sie, zu schnell hinein: vorn schiebt es hinaus. Gas weg, warten, nicht mehr lenken',
          'Ohne sie, zu früh Gas: hinten kommt es herum. Dorthin schauen, wohin Sie wollen, Gas weg, mitlenken',
          'Mehr Haftung macht keine von ihnen: zu schnell ist zu schnell',
        ],
      },
      phases: { title: 'Phasen einer Kurve', words: [] },
      corners: { title: 'Unsere Kurven', words: [] },
      cones: { title: 'Was die Kegel sagen', words: [] },
      calls: { title: 'Was wir im Auto sagen', words: [] },
      passing: { title: 'Überholen', words: [] },
      flags: {
        title: 'Flaggen',
        words: [
          'Vorsicht: langsam, nicht überholen, bereit zum Anhalten',
          'Alle halten: sanft am Rand zum Stehen bremsen, der Instruktor sagt, was folgt',
          'Hier gibt es keine Kreuzungen: wer in Ihrer Nähe ist, kam durch dieselbe Kurve',
        ],
      },
      discomfort: {
        title: 'Wenn Ihnen unwohl ist',
        words: [
          'Sofort sagen, beim allerersten Anzeichen',
          'Wir werden langsamer und fahren herein',
          'Die übrigen Runden werden für Sie aufgehoben',
        ],
      },
      own: { title: 'Eigenes', words: [] },
    },
    question: questionIn(QUESTIONS),
    today: (name) => `Heute ist es ${condition(name)}`,
    smallerBudget: (name) => `Heute ist es ${condition(name)}: der Vorrat ist für alle kleiner`,
    circuit: (name, size) => (size ? `${name}: ${Math.round(size.lengthM)} m, ${size.corners} Kurven` : name),
    brake: { straight: 'Bremsen, geradeaus', trailed: 'Bremsen und in die Kurve hinein lösen' },
    throttle: {
      none: 'Gas, wenn sich das Lenkrad öffnet',
      maintenance: 'Leichtes Gas, mehr, wenn sich das Lenkrad öffnet',
    },
    release: 'Lösen',
    turnOnce: 'Einlenken, einmal',
    apex: 'Scheitelpunkt',
    exit: 'Hinaus, so weit die Fahrbahn reicht',
    passing: {
      straights: 'Auf jeder Geraden.',
      signals: 'Wo sich die Instruktoren mit Hand und Licht einig sind.',
    },
    passingNamed: (corners) => `Nur wo es genannt ist: ${corners.join(', ') || 'heute nirgends'}`,
    passed: [
      'Sie werden überholt: Gas weg, bleiben, wo Sie sind, Warnblinker an. Keine Eile',
      'Sie überholen: Gas, wenn der Instruktor es sagt, auf der anderen Seite; zurück, wenn es gesagt wird',
      'Der andere Sitz: Instruktoren sind sich einig, sehen nach hinten, sagen die Seite; Sie lassen nie los',
      'Danach, beide: erst die Linie wiederfinden, dann Tempo',
      'Auch im Notfall: der Instruktor darf das Lenkrad halten oder lenken, und bremsen, wo es ein zweites Pedal gibt',
    ],
    corner: (number, direction, apex) => `${number}. Kurve, nach ${SIDES[direction]}; ${APEXES[apex]} Scheitelpunkt`,
    lookAt: (what) => `Blick: ${what}`,
    givenAway: 'Langsam hinein: verschenkt für die Gerade danach',
    noExitCone: (inside) =>
      inside
        ? `Kein Ausgangskegel: kurze Gerade, ${SIDES[inside]} bleiben, dort folgt das nächste Einlenken`
        : 'Kein Ausgangskegel: dieser Platz stellt keine',
    noGearChange: 'Hier nicht schalten',
    kerbs: { ride: 'Über den Randstein darf gefahren werden', leave: 'Den Randstein meiden' },
    slippery: (where) => `Rutschig: ${where}`,
    roadMarks: (what) => `Auf der Fahrbahn: ${what}`,
    lightThrottle: 'Leichtes Gas durch die Mitte',
    mistakes: (what) => `Oft falsch: ${what}`,
    look,
    cone: (kind, marker) => `${look(marker)}: ${CONES[kind]}`,
    calls: callsIn(
      GERMAN_CALLS,
      { untilNext: 'bis zum nächsten', moment: 'einen Moment', whileSaid: 'so lange es gesagt wird' },
      { gear: 'dritten', where: 'die nächste Stelle', side: 'links' },
    ),
    drawing: {
      wrist: 'Handgelenk reicht nach oben',
      knee: 'Knie gebeugt, Bremse gedrückt',
      eyesBraking: 'bremsen: zum Einlenken',
      eyesTurning: 'lenken: zum Scheitelpunkt',
      eyesAtApex: 'am Scheitel: zum Ausgang',
      throttle: 'Gas',
      brake: 'Bremse',
      turn: 'lenken',
      frontGrips: 'vorn greift',
      rearGrips: 'hinten greift',
      gearDown: 'ein Gang zurück',
      gearUp: 'ein Gang hinauf',
      noseWide: 'vorn schiebt es hinaus',
      tailOut: 'hinten kommt es herum',
      meant: 'gewollt',
      goes: 'gefahren',
      lifts: 'geht vom Gas, Warnblinker an',
      caution: 'Vorsicht: langsam',
      allStop: 'Alle halten: an den Rand',
      lapsKept: 'diese Runden bleiben Ihnen',
    },
  },
  times: {
    title: 'Ihr Tag',
    arrive: 'Ankunft',
    briefing: 'Einweisung',
    sighting: 'Einführungsfahrt',
    drive: (car, count) => `${car}, ${count} ${count === 1 ? 'Runde' : 'Runden'}`,
    ride: (car, count) => `Mitfahrt im ${car}, ${count} ${count === 1 ? 'Runde' : 'Runden'}`,
    nothingYet: 'Für Sie ist noch nichts geplant.',
    mayMove: 'Zeiten können sich im Lauf des Tages um einige Minuten verschieben; am Empfang weiß man es.',
    plannedAt: (time) => `geplant ${time}`,
    changed: 'geändert',
  },
};
