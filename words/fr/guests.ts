import type { ConeKind, Marker } from '@core/track/circuit';
import { callsIn, faultIn, goodThingIn, questionIn, wordIn, type QuestionWords } from '../guests/common';
import { FRENCH_CALLS } from './calls';
import { FRENCH_FAULTS, FRENCH_GOOD_THINGS } from './faults';
import type { GuestWords } from '../guests/guest-words';
import { numbersIn } from '../guests/numbers';
import { markerWords } from '../en/terms';

const numbers = numbersIn('fr');
const { fixed, lapTime } = numbers;
const COUNTS = ['aucun', 'un', 'deux', 'trois', 'quatre', 'cinq', 'six'];
const laps = (count: number) => `${COUNTS[count] ?? count} tour${count < 2 ? '' : 's'}`;
const SIDES = { left: 'gauche', right: 'droite' };
const APEXES = { early: 'corde tôt', middle: 'corde au milieu', late: 'corde tardive', double: 'double corde' };
const CONES: Readonly<Record<ConeKind, string>> = {
  brake: 'freiner',
  turnIn: 'braquer',
  apex: 'point de corde',
  exit: 'sortie',
  gate: 'porte',
  boundary: 'limite',
  pullOff: 's’arrêter',
  distance: 'distance au virage',
  keepOff: 'pas sur cette bordure',
  guideLine: 'ligne de guidage',
  safetyZone: 'zone de sécurité',
};
const PATTERNS = { plain: '', banded: ', à bande', lying: ', couché', inRow: ', l’un derrière l’autre' } as const;
const condition = wordIn({ dry: 'sec', damp: 'humide', wet: 'mouillé' });
const colour = wordIn({
  white: 'blanc',
  violet: 'violet',
  yellow: 'jaune',
  blue: 'bleu',
  copper: 'cuivre',
  orange: 'orange',
  black: 'noir',
  pink: 'rose',
  red: 'rouge',
  green: 'vert',
  lime: 'vert clair',
});
const QUESTIONS: QuestionWords = {
  pedals: {
    text: 'Appuie-t-on jamais sur le frein et l’accélérateur en même temps ?',
    answers: ['Oui, pour aller vite', 'Jamais', 'Seulement sous la pluie'],
    because: 'Un seul pied travaille à la fois : freiner, relâcher, puis accélérer.',
  },
  look: {
    text: 'Où regardez-vous en freinant ?',
    answers: ['Le cône à côté de moi', 'Devant, le point de braquage puis la corde', 'Dans le rétroviseur'],
    because: 'La voiture va où vous regardez.',
  },
  brakeCone: {
    text: 'Lequel de ces repères dit : freiner ?',
    answers: ['Celui du braquage', 'Celui du freinage', 'Celui de la corde', 'Celui de la sortie'],
    because: 'Freiner d’abord, braquer ensuite : chacun a sa place et son aspect.',
  },
  mirrors: {
    text: 'Pour qui les rétroviseurs sont-ils réglés ?',
    answers: ['Pour moi', 'Pour l’instructeur'],
    because: 'L’instructeur surveille derrière ; vous regardez devant.',
  },
  unwell: {
    text: 'Au troisième tour, vous vous sentez un peu mal. Que faire ?',
    answers: ['Tenir, c’est bientôt fini', 'Le dire tout de suite'],
    because: 'Nous nous arrêtons, et les tours restants vous sont gardés.',
  },
};

function look(marker: Marker): string {
  const cones = (count: number) =>
    `${count > 1 ? 'cônes' : 'cône'} (${colour(marker.colour)}${PATTERNS[marker.pattern]})`;
  return markerWords(marker, 'une paire de', cones);
}

export const FRENCH: GuestWords = {
  language: 'Français',
  locale: 'fr',
  numbers,
  results: {
    laps: (count) => (count < 2 ? 'tour' : 'tours'),
    lapsIn: (count, seconds) => `${laps(count)} en ${lapTime(seconds)}`,
    lapsWithoutTime: (count) => `${laps(count)} sans temps`,
    lapsOwed: (count) => `Interrompu : ${laps(count)} vous ${count < 2 ? 'reste dû' : 'restent dus'}`,
    bestLap: (car) => `meilleur tour, ${car}`,
    gainedMost: 'gagnées au cours d’une session',
    withInstructor: (instructor) => `avec ${instructor}`,
    best: (seconds) => `meilleur tour ${lapTime(seconds)}`,
    noCleanLap: 'aucun tour propre chronométré',
    gain: (seconds, withinS) =>
      `${fixed(Math.abs(seconds), 1)} s ${seconds >= 0 ? 'plus vite' : 'plus lentement'}, à ${fixed(withinS, 1)} s près`,
    paceIndex: (index, within) => `indice de rythme ${fixed(index, 3)} ± ${fixed(within, 3)}`,
    steady: (spreadS) => `régulier à ${fixed(spreadS, 1)} s près`,
    good: (things) => `Bien : ${things.join(', ')}`,
    workedOn: (faults) => `Travaillé : ${faults.join(', ').toLowerCase()}`,
    learned: 'Ce que vous savez faire maintenant',
    noLonger: (fault) => `plus maintenant : ${fault.toLowerCase()}`,
    oneThing: 'Une chose pour la prochaine fois',
    gainWithin: 'Progrès dans chaque session',
    paceForTheCar: 'Rythme pour la voiture',
    tooFewLaps: 'Aucune session n’a encore assez de tours propres.',
    lap: 'tour',
    index: 'indice',
    spoiled: 'gêné',
    noDriveYet: 'Pas encore de session aujourd’hui. Cette page se remplit après la première.',
    noSuchGuest: 'Cet invité n’existe pas ce jour-là.',
    toTakeHome: 'PDF à emporter',
    withFriends: 'Entre amis',
    print: 'Imprimer',
    drives: 'Sessions',
    lapsAndMarks: 'Tours et remarques',
    noMarks: 'Aucune remarque',
    marksAt: (places) => `Remarques par virage : ${places.join(', ')}`,
    calledOtherwise: (places) => `Remarques à des virages qui portent un autre nom : ${places.join(', ')}`,
    phase: {
      look: 'Regard',
      brake: 'Freinage',
      gear: 'Rapport',
      release: 'Relâche',
      turnIn: 'Braquage',
      apex: 'Corde',
      balance: 'Équilibre',
      throttle: 'Accélérateur',
      exit: 'Sortie',
      slide: 'Glisse',
      whole: 'Toute la session',
    },
    fault: faultIn(FRENCH_FAULTS),
    goodThing: goodThingIn(FRENCH_GOOD_THINGS),
  },
  show: {
    slide: {
      welcome: { title: 'Bienvenue', words: [] },
      seat: {
        title: 'Comment s’asseoir',
        words: [
          'Plus près que sur la route : genou plié, frein bien enfoncé',
          'Les poignets atteignent le haut du volant, épaules contre le siège',
          'Les deux mains sur le volant, à la même hauteur, tout le temps',
        ],
      },
      paddles: {
        title: 'Les palettes : un rapport du bout du doigt',
        words: [
          'Tirer à droite : un rapport de plus. Tirer à gauche : un rapport de moins',
          'Une petite traction, un rapport ; les mains restent en place',
          'Descendre seulement au freinage, monter seulement le volant presque droit',
          'L’instructeur dit quand, et lequel. La voiture refuse ce qui l’abîmerait',
          'En automatique, n’y touchez pas ; une traction par erreur ne fait pas de mal',
        ],
      },
      eyes: {
        title: 'Regarder loin devant',
        words: [
          'La voiture va où vous regardez',
          'Au freinage : le point de braquage. En braquant : la corde. À la corde : la sortie',
          'Un cône se voit du coin de l’œil',
        ],
      },
      grip: {
        title: 'Une réserve d’adhérence',
        words: [
          'Un pneu a tant d’adhérence, à partager entre freiner, tirer et tourner',
          'Freiner à fond laisse peu pour tourner : relâcher en braquant. Tourner à fond : rien pour accélérer',
          'Quand le volant se redresse, on peut accélérer',
        ],
      },
      weight: {
        title: 'Le poids se déplace',
        words: [
          'Freiner charge les roues avant : elles font tourner la voiture',
          'Accélérer charge l’arrière : l’avant s’allège',
          'L’antidérapage aide ; des pieds doux aident davantage',
        ],
      },
      aids: {
        title: 'Ce que la voiture fait pour vous',
        words: [
          'Antiblocage, en urgence : freiner à fond ; la voiture braque encore un peu, pour éviter un obstacle',
          'L’antipatinage retire de la puissance là où les roues patineraient',
          'Le contrôle de stabilité freine une seule roue quand la voiture ne va pas où vous tournez',
          'Sans lui, entré trop vite : l’avant élargit. Lever le pied, attendre, ne plus braquer',
          'Sans lui, gaz trop tôt : l’arrière sort. Regarder où l’on veut aller, lever, suivre au volant',
          'Aucun ne donne plus d’adhérence : trop vite reste trop vite',
        ],
      },
      phases: { title: 'Les phases d’un virage', words: [] },
      corners: { title: 'Nos virages', words: [] },
      cones: { title: 'Ce que disent les cônes', words: [] },
      calls: { title: 'Ce que nous disons en voiture', words: [] },
      passing: { title: 'Dépasser', words: [] },
      flags: {
        title: 'Drapeaux',
        words: [
          'Attention : ralentir, ne pas dépasser, être prêt à s’arrêter',
          'Arrêt général : freiner doucement sur le côté, l’instructeur dit la suite',
          'Ici pas de carrefours : qui est près de vous a passé le même virage',
        ],
      },
      discomfort: {
        title: 'Si vous vous sentez mal',
        words: [
          'Dites-le tout de suite, au premier signe',
          'Nous ralentissons et rentrons',
          'Les tours restants vous sont gardés',
        ],
      },
      own: { title: 'À nous', words: [] },
    },
    question: questionIn(QUESTIONS),
    today: (name) => `Aujourd’hui, la piste : ${condition(name)}`,
    smallerBudget: (name) => `Aujourd’hui, la piste : ${condition(name)}. La réserve est plus petite pour tous`,
    circuit: (name, size) => (size ? `${name} : ${Math.round(size.lengthM)} m, ${size.corners} virages` : name),
    brake: { straight: 'Freiner, en ligne droite', trailed: 'Freiner, et relâcher en entrant' },
    throttle: {
      none: 'Accélérer, quand le volant se redresse',
      maintenance: 'Un filet de gaz, plus quand le volant se redresse',
    },
    release: 'Relâcher',
    turnOnce: 'Braquer, une fois',
    apex: 'Corde',
    exit: 'Sortie, sur toute la largeur',
    passing: {
      straights: 'Dans toutes les lignes droites.',
      signals: 'Là où les instructeurs s’accordent par la main et les phares.',
    },
    passingNamed: (corners) => `Seulement aux endroits nommés : ${corners.join(', ') || 'nulle part aujourd’hui'}`,
    passed: [
      'On vous dépasse : lever le pied, rester où vous êtes, feux de détresse. Rien ne presse',
      'Vous dépassez : gaz quand l’instructeur le dit, de l’autre côté ; retour quand il le dit',
      'L’autre siège : les instructeurs s’accordent, regardent derrière, disent le côté ; vous ne lâchez jamais',
      'Après, tous deux : retrouver la trajectoire avant d’attaquer',
      'En cas d’urgence aussi : l’instructeur peut tenir ou tourner le volant, et freiner s’il a une pédale',
    ],
    corner: (number, direction, apex) =>
      `${number}${number === 1 ? 'er' : 'e'} virage, à ${SIDES[direction]} ; ${APEXES[apex]}`,
    lookAt: (what) => `Regard : ${what}`,
    givenAway: 'Entrer lentement : sacrifié pour la ligne droite qui suit',
    noExitCone: (inside) =>
      inside
        ? `Pas de cône de sortie : ligne droite courte, rester à ${SIDES[inside]}, le prochain braquage y est`
        : 'Pas de cône de sortie : ce site n’en place pas',
    noGearChange: 'Pas de changement de rapport ici',
    kerbs: { ride: 'On peut rouler sur le vibreur', leave: 'Éviter le vibreur' },
    slippery: (where) => `Glissant : ${where}`,
    roadMarks: (what) => `Au sol : ${what}`,
    lightThrottle: 'Un filet de gaz au milieu',
    mistakes: (what) => `Erreur fréquente : ${what}`,
    look,
    cone: (kind, marker) => `${look(marker)} : ${CONES[kind]}`,
    calls: callsIn(
      FRENCH_CALLS,
      { untilNext: 'jusqu’au suivant', moment: 'un instant', whileSaid: 'tant qu’on le dit' },
      { gear: 'troisième', where: 'le prochain repère', side: 'gauche' },
    ),
    drawing: {
      wrist: 'le poignet atteint le haut',
      knee: 'genou plié, frein enfoncé',
      eyesBraking: 'freinage : le braquage',
      eyesTurning: 'en braquant : la corde',
      eyesAtApex: 'à la corde : la sortie',
      throttle: 'accélérer',
      brake: 'freiner',
      turn: 'tourner',
      frontGrips: 'l’avant adhère',
      rearGrips: 'l’arrière adhère',
      gearDown: 'un rapport de moins',
      gearUp: 'un rapport de plus',
      noseWide: 'l’avant élargit',
      tailOut: 'l’arrière sort',
      meant: 'voulu',
      goes: 'suivi',
      lifts: 'lève le pied, feux de détresse',
      caution: 'attention : ralentir',
      allStop: 'arrêt général : sur le côté',
      lapsKept: 'ces tours vous restent',
    },
  },
  times: {
    title: 'Votre journée',
    arrive: 'Arrivée',
    briefing: 'Cours',
    sighting: 'Tour de reconnaissance',
    drive: (car, count) => `${car}, ${count} ${count < 2 ? 'tour' : 'tours'}`,
    ride: (car, count) => `Baptême en passager, ${car}, ${count} ${count < 2 ? 'tour' : 'tours'}`,
    nothingYet: 'Rien n’est encore prévu pour vous.',
    mayMove: 'Les heures peuvent bouger de quelques minutes ; l’accueil vous le dira.',
    plannedAt: (time) => `prévu à ${time}`,
    changed: 'modifié',
  },
};
