import { inject, Injectable } from '@angular/core';
import { venueFields } from '@core/venue/settings';
import type { Day } from '@core/day';
import { type Json, valueAt, withValues } from '@core/values';
import { effectOf, type DayRoom, type Wanted } from '@core/planner';
import { ruleEffectWords } from '@words/en/rules';
import { concatMap, from, map, of, scan, startWith, type Observable } from 'rxjs';
import { DayService } from '../../../shared/data/day.service';
import { Verdicts } from '../../../shared/verdict/verdicts';
import { RULES_FIELDS } from './rules-fields';

/** What is asked after when room is counted: an ordinary drive of somebody new. */
const WANTED: Wanted = { laps: 5, isNew: true, pace: 1.2 };
const LOOKING = '…';
/** Rules that bear on the plan of a day. */
const PATHS = RULES_FIELDS.flatMap(({ path, sentence }) => (sentence && path.startsWith('rules.') ? [path] : []));

/** What each rule that is being changed would do to the open day, each by itself. */
@Injectable({ providedIn: 'root' })
export class RuleEffects {
  private readonly data = inject(DayService);
  private readonly verdicts = inject(Verdicts);
  private before: { readonly day: Day; readonly room: Promise<DayRoom> } | undefined;

  /**
   * By the path of each changed rule, in words, as they are found; nothing of those that cannot be read yet.
   *
   * @param stored the venue as it is stored
   * @param typed as it is being changed
   */
  of(stored: Json | undefined, typed: Json | undefined): Observable<ReadonlyMap<string, string>> {
    const day = this.data.day();
    if (!day || !stored || !typed || day.guests.length === 0) return of(new Map());
    const changed = PATHS.flatMap((path) => {
      const value = valueAt(typed, path);
      if (JSON.stringify(value) === JSON.stringify(valueAt(stored, path))) return [];
      const read = venueFields.safeParse(withValues(stored, [{ path, value }]));
      return read.success ? [{ path, rules: { ...day.rules, ...changedRule(path, read.data.rules) } }] : [];
    });
    const looking = new Map(changed.map(({ path }) => [path, LOOKING]));
    return from(changed).pipe(
      concatMap(({ path, rules }) => from(this.effect(day, { ...day, rules })).pipe(map((words) => ({ path, words })))),
      scan((all, { path, words }) => new Map(all).set(path, words), looking),
      startWith(looking),
    );
  }

  /** Looks at the open day as it is, before anybody asks. */
  prepare(): void {
    const day = this.data.day();
    if (day && day.guests.length > 0) void this.roomBefore(day).catch(() => undefined);
  }

  private async effect(day: Day, changed: Day): Promise<string> {
    const [before, after] = [await this.roomBefore(day), await this.verdicts.room(changed, WANTED)];
    return ruleEffectWords(effectOf(before, after));
  }

  private roomBefore(day: Day): Promise<DayRoom> {
    if (this.before?.day !== day) this.before = { day, room: this.verdicts.room(day, WANTED) };
    return this.before.room;
  }
}

/** The part of the rules in which a path lies: what the day has of its own besides stays. */
function changedRule<Rules extends object>(path: string, rules: Rules): Partial<Rules> {
  const part = path.split('.')[1] as keyof Rules;
  return { [part]: rules[part] } as unknown as Partial<Rules>;
}
