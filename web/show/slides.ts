import type { CoachingCustoms } from '@core/api';
import type { Question, ShowFields, Slide, SlideKind } from '@core/classroom';
import type { CircuitStudy, StudiedCorner } from '@core/car';
import { legendOf, markersOf, type Circuit, type CornerBook } from '@core/circuit';
import type { ShowWords } from '@core/words/guests';

/** One picture of the show, as it is drawn. */
export type ShownSlide =
  | {
      readonly kind: SlideKind;
      readonly id: string;
      readonly title: string;
      readonly words: readonly string[];
      readonly picture: string | undefined;
      /** The corner that is drawn, on slides that draw one. */
      readonly corner: StudiedCorner | undefined;
    }
  | {
      readonly kind: 'question';
      readonly id: string;
      readonly title: string;
      readonly question: Question;
      /** The question in the words of the venue, by which its answers are counted in every language. */
      readonly asked: string;
    };

export interface ShowSource {
  readonly show: ShowFields;
  readonly venue: string;
  readonly condition: string;
  readonly circuit: Circuit | undefined;
  readonly study: CircuitStudy | undefined;
  readonly coaching: CoachingCustoms;
  /** In the language of those who look on. */
  readonly words: ShowWords;
}

/** The slides in their order: a slide for each corner, and the questions at the end. */
export function slidesOf(source: ShowSource): ShownSlide[] {
  const slides = source.show.slides
    .filter(({ hidden }) => !hidden)
    .flatMap((slide) => (slide.kind === 'corners' ? cornerSlides(source, slide) : [plainSlide(source, slide)]));
  const questions = source.show.questions.map((asked): ShownSlide => {
    const question = source.words.question(asked);
    return { kind: 'question', id: asked.id, title: question.text, question, asked: asked.text };
  });
  return [...slides, ...questions];
}

function plainSlide(source: ShowSource, { id, kind, title, words, picture }: Slide): ShownSlide {
  return {
    id,
    kind,
    title: title ?? source.words.slide[kind].title,
    words: words ?? ownWords(source, kind),
    picture,
    corner: kind === 'phases' ? typicalCorner(source.study) : undefined,
  };
}

/** Words that come from the venue's own circuit, legend and customs. */
function ownWords(
  { venue, condition, circuit, study, coaching, words }: ShowSource,
  kind: SlideKind,
): readonly string[] {
  const plain = words.slide[kind].words;
  switch (kind) {
    case 'welcome': {
      const size = study && { lengthM: study.centre.lengthM, corners: study.corners.length };
      return [venue, circuit ? words.circuit(circuit.name, size) : '', words.today(condition)].filter(Boolean);
    }
    case 'grip':
      return condition === 'dry' ? plain : [...plain, words.smallerBudget(condition)];
    case 'phases':
      return [
        words.brake[coaching.braking],
        words.release,
        words.turnOnce,
        words.apex,
        words.throttle[coaching.throttle],
        words.exit,
      ];
    case 'cones':
      return markersOf(legendOf(circuit)).map(({ kind: of, marker }) => words.cone(of, marker));
    case 'passing': {
      const named = circuit?.corners.filter(({ book }) => book.passing).map(({ name }) => name) ?? [];
      const where = coaching.passing === 'named' ? words.passingNamed(named) : words.passing[coaching.passing];
      return [where, ...words.passed];
    }
    default:
      return plain;
  }
}

function cornerSlides({ study, circuit, coaching, words: say }: ShowSource, slide: Slide): ShownSlide[] {
  const corners = study?.corners ?? [];
  return corners.map((corner): ShownSlide => {
    const book: CornerBook = corner.taught.named?.book ?? {};
    const noExit = study?.cones.omitted.find(({ corner: of, kind }) => kind === 'exit' && of === corner.name);
    const words = [
      say.corner(corner.taught.corner.number, corner.taught.corner.direction, corner.taught.apex),
      book.lookAt && say.lookAt(book.lookAt),
      book.givenAway && say.givenAway,
      noExit?.reason.code === 'shortStraight' && say.noExitCone(noExit.reason.values.inside),
      noExit?.reason.code === 'notMarked' && say.noExitCone(undefined),
      book.noGearChange && say.noGearChange,
      book.kerbs && say.kerbs[book.kerbs],
      book.slippery && say.slippery(book.slippery),
      book.roadMarks && say.roadMarks(book.roadMarks),
      (book.throttle ?? coaching.throttle) === 'maintenance' && say.lightThrottle,
      book.mistakes && say.mistakes(book.mistakes),
    ].filter((text): text is string => Boolean(text));
    return {
      id: `${slide.id}-${corner.taught.corner.number}`,
      kind: 'corners',
      title: corner.name,
      words: slide.words ? [...words, ...slide.words] : words,
      picture: slide.picture,
      corner: circuit && corner,
    };
  });
}

/** A corner that shows all phases: braked for, with its exit used. */
function typicalCorner(study: CircuitStudy | undefined): StudiedCorner | undefined {
  const corners = study?.corners ?? [];
  return corners.find(({ brake, taught }) => brake && taught.exitFree) ?? corners[0];
}
