import { ChangeDetectionStrategy, Component, computed, effect, inject, signal, untracked } from '@angular/core';
import { rxResource } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import { contract, storedShow } from '@core/api';
import { showFields, type Question, type ShowFields, type Slide } from '@core/people/classroom';
import { guestWords } from '@words/guests';
import { faultLine, faultsOf } from '@core/values';
import { Button } from 'primeng/button';
import { Checkbox } from 'primeng/checkbox';
import { InputText } from 'primeng/inputtext';
import { Textarea } from 'primeng/textarea';
import { Api, ApiError } from '../../../shared/data/api';
import { DayService } from '../../../shared/data/day.service';
import { Photos } from '../../../shared/data/photos';
import { newId } from '../../../shared/data/new-id';
import { known } from '../../../shared/data/reading';
import { Unread } from '../../../shared/frame/unread';

/** Where the venue has not written its own; other languages come with these only. */
const SLIDE_WORDS = guestWords('en').show.slide;

/** Order, words and pictures of the classroom show, and its questions. */
@Component({
  selector: 'jl-show-editor',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, Checkbox, FormsModule, InputText, RouterLink, Textarea, Unread],
  templateUrl: './show-editor.html',
  styleUrl: './show-editor.scss',
  host: { class: 'screen' },
})
export class ShowEditor {
  private readonly api = inject(Api);
  private readonly data = inject(DayService);
  private readonly photos = inject(Photos);
  protected readonly stored = rxResource({ stream: () => this.api.call(contract.readShow) });
  protected readonly draft = signal<ShowFields | undefined>(undefined);
  /** What is changed while it is being saved stays to be saved. */
  protected readonly changed = computed(() => this.draft() !== known(this.stored)?.fields);
  protected readonly saving = signal(false);
  protected readonly faults = signal<readonly string[]>([]);

  constructor() {
    effect(() => {
      const stored = known(this.stored);
      if (stored && !untracked(this.draft)) this.draft.set(stored.fields);
    });
  }

  protected titleOf({ kind, title }: Slide): string {
    return title ?? SLIDE_WORDS[kind].title;
  }

  protected wordsOf({ kind, words }: Slide): string {
    return (words ?? SLIDE_WORDS[kind].words).join('\n');
  }

  protected readonly isFromCircuit = ({ kind, words }: Slide) =>
    words === undefined && ['welcome', 'corners', 'cones', 'calls', 'passing', 'phases'].includes(kind);

  protected change(fields: ShowFields): void {
    this.draft.set(fields);
    this.faults.set([]);
  }

  protected changeSlide(id: string, change: Partial<Slide>): void {
    const draft = this.draft()!;
    this.change({ ...draft, slides: draft.slides.map((slide) => (slide.id === id ? { ...slide, ...change } : slide)) });
  }

  /** Emptied, it is the common title again, in the field too. */
  protected setTitle(slide: Slide, field: HTMLInputElement): void {
    const common = SLIDE_WORDS[slide.kind].title;
    const title = field.value.trim() || common;
    field.value = title;
    this.changeSlide(slide.id, { title: title === common ? undefined : title });
  }

  /** Emptied, they are the common words again, in the field too. */
  protected setWords(slide: Slide, field: HTMLTextAreaElement): void {
    const common = SLIDE_WORDS[slide.kind].words.join('\n');
    const own = linesOf(field.value);
    const words = own.join('\n') || common;
    field.value = words;
    this.changeSlide(slide.id, { words: words === common ? undefined : own });
  }

  protected move(place: number, step: number): void {
    const draft = this.draft()!;
    const to = place + step;
    if (to < 0 || to >= draft.slides.length) return;
    const slides = [...draft.slides];
    [slides[place], slides[to]] = [slides[to]!, slides[place]!];
    this.change({ ...draft, slides });
  }

  protected addSlide(): void {
    const draft = this.draft()!;
    this.change({ ...draft, slides: [...draft.slides, { id: newId().slice(0, 12), kind: 'own', title: 'New slide' }] });
  }

  protected removeSlide(id: string): void {
    const draft = this.draft()!;
    this.change({ ...draft, slides: draft.slides.filter((slide) => slide.id !== id) });
  }

  protected async setPicture(id: string, event: Event): Promise<void> {
    const file = (event.target as HTMLInputElement).files?.[0];
    if (!file) return;
    const picture = await this.photos.send(file, newId());
    if (picture) this.changeSlide(id, { picture });
    else this.data.refuse('The picture could not be sent. JPEG, PNG or WebP of up to 4 MB.');
  }

  protected changeQuestion(id: string, change: Partial<Question>): void {
    const draft = this.draft()!;
    const questions = draft.questions.map((one) => (one.id === id ? { ...one, ...change } : one));
    this.change({ ...draft, questions });
  }

  protected setAnswers(question: Question, text: string): void {
    const answers = linesOf(text);
    this.changeQuestion(question.id, { answers, right: Math.min(question.right, Math.max(0, answers.length - 1)) });
  }

  protected addQuestion(): void {
    const draft = this.draft()!;
    const question = { id: newId().slice(0, 12), text: 'New question', answers: ['Yes', 'No'], right: 0 };
    this.change({ ...draft, questions: [...draft.questions, question] });
  }

  protected removeQuestion(id: string): void {
    const draft = this.draft()!;
    this.change({ ...draft, questions: draft.questions.filter((question) => question.id !== id) });
  }

  protected save(): void {
    const [sent, stored] = [this.draft(), known(this.stored)];
    if (!sent || !stored) return;
    const parsed = showFields.safeParse(sent);
    if (!parsed.success) return this.faults.set(faultsOf(parsed.error).map(faultLine));
    this.saving.set(true);
    this.api.call(contract.changeShow, { body: { version: stored.version, fields: parsed.data } }).subscribe({
      next: ({ version }) => {
        this.saving.set(false);
        this.stored.set({ version, fields: sent });
        this.data.say('The show is saved.');
      },
      error: (error: unknown) => {
        this.saving.set(false);
        const theirs = storedShow.safeParse(error instanceof ApiError ? error.problem?.current : undefined);
        this.faults.set([(error as Error).message + (theirs.success ? ' Saving again puts yours over it.' : '')]);
        if (theirs.success) this.stored.set(theirs.data);
      },
    });
  }
}

function linesOf(text: string): string[] {
  return text
    .split('\n')
    .map((line) => line.trim())
    .filter(Boolean);
}
