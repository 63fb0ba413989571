import { ChangeDetectionStrategy, Component, computed, effect, inject, signal, untracked } from '@angular/core';
import { rxResource, takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { Router, RouterLink } from '@angular/router';
import { contract } from '@core/api';
import { ORDINARY_SHOW } from '@core/people/classroom';
import { conditionAt } from '@core/day';
import { legendOf, markersOf } from '@core/track/circuit';
import { GUEST_LANGUAGES, groupLanguage, guestWords, type GuestLanguage } from '@words/guests';
import { fromEvent } from 'rxjs';
import { Api } from '../../../shared/data/api';
import { CircuitService } from '../../../shared/data/circuit.service';
import { DayService } from '../../../shared/data/day.service';
import { CircuitMapView } from '../circuit/circuit-map';
import { ShowDrawing } from './drawings';
import { PhaseDrawing } from './phase-drawing';
import { slidesOf } from './slides';
import { known } from '../../../shared/data/reading';

/** The classroom show on the big screen: made from the venue's circuit, legend, corner book and today's condition. */
@Component({
  selector: 'jl-show',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [CircuitMapView, PhaseDrawing, RouterLink, ShowDrawing],
  templateUrl: './show.html',
  styleUrl: './show.scss',
})
export class Show {
  private readonly api = inject(Api);
  private readonly router = inject(Router);
  protected readonly data = inject(DayService);
  protected readonly circuit = inject(CircuitService);
  /** Id of the slide on screen; the first one until somebody has gone on. */
  private readonly current = signal<string | undefined>(undefined);
  protected readonly dark = signal(false);
  /** Hands for each answer of the question on screen. */
  protected readonly hands = signal<readonly number[]>([]);
  protected readonly revealed = signal(false);
  private readonly stored = rxResource({ stream: () => this.api.call(contract.readShow) });

  protected readonly conditionName = computed(() => {
    const [day, state] = [this.data.day(), this.data.state()];
    if (!day) return 'dry';
    return conditionAt(day, state?.timeS ?? 0).name;
  });
  /** Chosen by hand; else that of most of the class. */
  private readonly chosen = signal<GuestLanguage | undefined>(undefined);
  protected readonly told = computed(() => guestWords(this.chosen() ?? groupLanguage(this.class()?.guests ?? [])));
  protected readonly languages = GUEST_LANGUAGES.map((code) => ({ code, words: guestWords(code) }));
  protected readonly slides = computed(() =>
    slidesOf({
      show: known(this.stored)?.fields ?? ORDINARY_SHOW,
      venue: this.data.day()?.venue ?? '',
      condition: this.conditionName(),
      circuit: this.circuit.draft(),
      study: this.circuit.study(),
      coaching: this.circuit.coaching(),
      words: this.told().show,
    }),
  );
  protected readonly place = computed(() =>
    Math.max(
      0,
      this.slides().findIndex(({ id }) => id === this.current()),
    ),
  );
  protected readonly slide = computed(() => this.slides()[this.place()]);
  private readonly slideId = computed(() => this.slide()?.id);
  protected readonly legend = computed(() => markersOf(legendOf(this.circuit.draft())));
  /** The class that is shown to: the one that is running, else the next one. */
  private readonly class = computed(() => {
    const [context, state] = [this.data.context(), this.data.state()];
    if (!context || !state) return undefined;
    const [running] = [...state.classes.keys()];
    return context.schedule.briefings
      .filter(({ endS, briefing }) => (running === undefined ? endS > state.timeS : briefing.instructor === running))
      .sort((a, b) => Math.abs(a.startS - state.timeS) - Math.abs(b.startS - state.timeS))[0];
  });
  /** Whose class the answers are counted for. */
  protected readonly instructor = computed(() => {
    const [context, state] = [this.data.context(), this.data.state()];
    if (!context || !state) return undefined;
    const [running] = [...state.classes.keys()];
    const id = running ?? this.class()?.briefing.instructor ?? context.day.instructors[0]?.id;
    return id === undefined ? undefined : { id, name: context.schedule.index.instructors.get(id)?.name ?? id };
  });

  constructor() {
    this.circuit.refresh();
    // Before the keys of the frame: here digits raise hands and letters change no screen.
    fromEvent<KeyboardEvent>(document, 'keydown', { capture: true })
      .pipe(takeUntilDestroyed())
      .subscribe((event) => this.key(event));
    effect(() => {
      const id = this.slideId();
      untracked(() => {
        const slide = this.slide();
        if (id === undefined) return;
        this.revealed.set(false);
        this.hands.set(slide?.kind === 'question' ? slide.question.answers.map(() => 0) : []);
      });
    });
  }

  /** Goes on in another language; the keys belong to the show again. */
  protected speak(language: GuestLanguage): void {
    this.chosen.set(language);
    if (document.activeElement instanceof HTMLElement) document.activeElement.blur();
  }

  protected go(step: number): void {
    this.show(this.place() + step);
  }

  private show(place: number): void {
    const slides = this.slides();
    this.current.set(slides[Math.max(0, Math.min(slides.length - 1, place))]?.id);
  }

  protected raise(answer: number, by: number): void {
    this.hands.update((hands) => hands.map((count, place) => (place === answer ? Math.max(0, count + by) : count)));
  }

  /** Keeps the hands with the class and shows the right answer. */
  protected count(): void {
    const [slide, instructor] = [this.slide(), this.instructor()];
    if (slide?.kind !== 'question' || this.revealed()) return;
    this.revealed.set(true);
    const hands = [...this.hands()];
    if (!instructor || hands.every((count) => count === 0)) return;
    this.data.record({
      kind: 'answersCounted',
      instructor: instructor.id,
      question: slide.asked,
      hands,
      right: slide.question.right,
      misread: [...slide.misread],
    });
  }

  protected leave(): void {
    void this.router.navigate(['/classroom']);
  }

  private key(event: KeyboardEvent): void {
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    // What the show does not know is not meant for the frame behind it either.
    event.stopPropagation();
    const slide = this.slide();
    const digit = Number(event.key);
    const onControl = (event.target as Element).closest?.('button, a') !== null;
    if (event.key === 'Escape') this.leave();
    else if (['ArrowRight', 'PageDown'].includes(event.key) || (event.key === ' ' && !onControl)) this.go(1);
    else if (['ArrowLeft', 'PageUp', 'Backspace'].includes(event.key)) this.go(-1);
    else if (event.key === 'Home') this.show(0);
    else if (event.key === 'End') this.show(this.slides().length - 1);
    else if (event.key === '.') this.dark.update((dark) => !dark);
    else if (event.key === 'f') void document.documentElement.requestFullscreen?.().catch(() => undefined);
    else if (event.key === 'Enter' && !onControl && slide?.kind === 'question') this.count();
    else if (slide?.kind === 'question' && digit >= 1 && digit <= slide.question.answers.length)
      this.raise(digit - 1, 1);
    else return;
    event.preventDefault();
  }
}
