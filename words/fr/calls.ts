import type { CallWords } from '../guests/common';

export const FRENCH_CALLS: CallWords = {
  look: ['Regarde là-bas', 'où vont les yeux ensuite'],
  beOn: ['Reste à gauche', 'le côté de la piste'],
  hands: ['Mains à niveau', 'les deux mains à la même hauteur sur le volant'],
  lift: ['Lève', 'pied hors de l’accélérateur, sans frein'],
  brake: ['Freine', 'fermement sur le frein'],
  keepBraking: ['Freine encore', 'continuer à freiner de même'],
  gearDown: ['Descends en troisième', 'un rapport de moins par palette, jusqu’à celui qui est dit'],
  release: ['Relâche', 'lâcher le frein'],
  keepWaiting: ['Attends', 'ne rien changer encore'],
  turn: ['Braque', 'tourner le volant, une fois'],
  apex: ['Corde', 'près de l’intérieur, ici'],
  balance: ['Tiens avec un filet de gaz', 'un filet de gaz qui garde la vitesse'],
  throttle: ['Gaz, volant droit', 'accélérer à mesure que le volant se redresse'],
  easeThrottle: ['Doucement les gaz', 'moins de gaz qu’on n’en voudrait'],
  letRun: ['Laisse courir', 'ouvrir le volant et utiliser la piste'],
  exit: ['Sors large', 'jusqu’au bord de la piste'],
  gearUp: ['Monte en troisième', 'un rapport de plus'],
};
