import type { CallWords } from '../guests/common';

export const GERMAN_CALLS: CallWords = {
  look: ['Blick dorthin', 'wohin die Augen als Nächstes gehen'],
  beOn: ['Links bleiben', 'die Seite der Fahrbahn'],
  hands: ['Hände gleich hoch', 'beide Hände auf gleicher Höhe am Lenkrad'],
  lift: ['Gas weg', 'Fuß vom Gas, keine Bremse'],
  brake: ['Bremsen', 'kräftig auf die Bremse'],
  keepBraking: ['Weiter bremsen', 'so weiterbremsen wie jetzt'],
  gearDown: ['Runter in den dritten', 'mit jedem Zug ein Gang zurück, bis zum genannten'],
  release: ['Lösen', 'die Bremse loslassen'],
  keepWaiting: ['Warten', 'noch nichts ändern'],
  turn: ['Einlenken', 'das Lenkrad drehen, einmal'],
  apex: ['Scheitel', 'nah an die Innenseite, hier'],
  balance: ['Mit etwas Gas halten', 'leichtes Gas, das das Tempo hält'],
  throttle: ['Gas, Lenkrad gerade', 'Gas, so wie sich das Lenkrad öffnet'],
  easeThrottle: ['Sachte mit dem Gas', 'weniger Gas, als man möchte'],
  letRun: ['Laufen lassen', 'Lenkrad öffnen und die Fahrbahn nutzen'],
  exit: ['Hinaus zum Ausgang', 'bis an den Rand der Fahrbahn'],
  gearUp: ['Hoch in den dritten', 'ein Gang hinauf'],
};
