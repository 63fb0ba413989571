import { languageName } from '../languages';
import type { CarKind, BetterFrom } from '@core/venue/fleet';
import type { Missing, StepName } from '@core/venue/first-steps';
import type { IntroductionWay } from '@core/venue/settings';
import { tell, type ByCode } from '../by-code';

/** The steps to a first plan: what each is called, and what it is for. */
export const STEP_WORDS: Readonly<Record<StepName, { readonly title: string; readonly why: string }>> = {
  venue: { title: 'Venue and hours', why: 'name, time zone and hours stand on every sheet, and bound every plan' },
  circuit: { title: 'Circuit', why: 'draws map, cones and calls; laps are counted without it too' },
  cars: { title: 'Cars', why: 'what people book, and how long a lap in it takes' },
  crew: { title: 'Crew', why: 'who sits beside the guests, gives the class and drives the sighting runs' },
  introduction: {
    title: 'How guests get to know it',
    why: 'class and sighting run take time and people before the first drive',
  },
  bookings: { title: 'Bookings', why: 'who comes, when, and drives what' },
  plan: { title: 'First plan', why: 'looks for a place for everybody, and says why where there is none' },
  phones: { title: 'People’s phones', why: 'counter, handover and pit exit on the devices of those who stand there' },
};

/** What is missing, as a sentence; the car is named by whoever knows it. */
export function missingWords(missing: Missing, carName: (id: string) => string): string {
  const sentences: ByCode<Missing> = {
    venueUnnamed: () => 'The venue has no name yet.',
    zoneNotChosen: () => 'No time zone has been chosen: clocks go by UTC.',
    noCircuit: () => 'The circuit has not been drawn: no map, no cones, no calls.',
    noCars: () => 'There are no cars yet.',
    noCarToday: () => 'No car is there on this day.',
    carsAssumed: ({ values: { count, of } }) =>
      count === of && of === 1
        ? 'The car has no measured lap time: it is assumed.'
        : `${count} of ${of} cars have no measured lap time: it is assumed.`,
    noCrew: () => 'There are no instructors yet.',
    noCrewToday: () => 'Nobody of the crew is there on this day.',
    noClassGiver: () => 'Nobody who is there may give the class: every guest who needs it is left out.',
    noRunDriver: () => 'Nobody who is there may drive the sighting run: every guest who needs it is left out.',
    carUntaught: ({ subjects }) => `Nobody who is there may teach in ${carName(subjects.car)}.`,
    languageUnspoken: ({ values: { language, guests } }) =>
      `Nobody who is there speaks ${languageName(language)}: ${guests === 1 ? 'one guest needs it' : `${guests} guests need it`}.`,
    introductionNotChosen: () => 'Nobody has said yet whether there is a class, and how the circuit is shown.',
    noVehicle: () => 'Guests are to be shown the circuit, and there is no vehicle for it.',
    noVehicleToday: () => 'No vehicle for the sighting run is there on this day.',
    noBookings: () => 'Nobody is booked on this day.',
    guestsWithoutDrives: ({ values: { count } }) =>
      count === 1 ? 'One guest has no drive.' : `${count} guests have no drive.`,
    noPlan: () => 'The day has no plan yet.',
    noPhones: () => 'No phone or tablet has been added.',
  };
  return tell(sentences, missing);
}

export const CAR_KIND_WORDS: Readonly<Record<CarKind, { readonly name: string; readonly like: string }>> = {
  small: { name: 'Small car', like: 'tame, driven at the front' },
  roadster: { name: 'Roadster', like: 'light and open, driven at the rear' },
  grandTourer: { name: 'Grand tourer', like: 'strong and heavy, engine in front' },
  midEngined: { name: 'Mid-engined', like: 'quick, engine behind the seats' },
  fourDriven: { name: 'Four-driven', like: 'strong, pulls with all wheels' },
  fierce: { name: 'Fierce one', like: 'for those who have driven the others' },
};

export const BETTER_FROM_WORDS: Readonly<Record<BetterFrom, string>> = {
  papers: 'assumed; the papers of the car know better',
  measuredLaps: 'assumed; ten measured laps know better',
  scales: 'assumed; the scales know better',
  priceList: 'assumed; your price list knows better',
  garage: 'assumed; your garage knows better',
};

export const INTRODUCTION_WORDS: Readonly<Record<IntroductionWay, { readonly label: string; readonly hint: string }>> =
  {
    vehicle: {
      label: 'in a vehicle',
      hint: 'several guests at a time, driven round by an instructor: takes a place in the plan',
    },
    leadCar: { label: 'in a lead car’s tow', hint: 'on the first lap of the first drive, behind another car' },
    walk: { label: 'on foot', hint: 'a part of the class' },
    none: { label: 'not at all', hint: 'the first lap is for getting to know it' },
  };
