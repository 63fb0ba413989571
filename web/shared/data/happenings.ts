export type Happening = 'car' | 'instructor' | 'late' | 'gone' | 'closed' | 'condition' | 'behind';

/** What can have happened, and which further fields it asks for; each may be left empty but those that are needed. */
export const HAPPENINGS: readonly {
  readonly event: Happening;
  readonly label: string;
  readonly icon: string;
  /** Further words by which the palette finds it. */
  readonly words: string;
  /** From when it holds; now where it is left empty. */
  readonly from?: string;
  /** Until when, or when somebody comes. */
  readonly until?: string;
  /** Minutes that are offered with one click, before others are typed. */
  readonly minutes?: { readonly label: string; readonly offered: readonly number[] };
}[] = [
  { event: 'car', label: 'Car withdrawn', words: 'hold', icon: 'pi pi-car', until: 'Back at, if somebody knows' },
  {
    event: 'instructor',
    label: 'Instructor away',
    words: 'ill absent',
    icon: 'pi pi-user-minus',
    from: 'From, now if empty',
    until: 'Back at, if somebody knows',
  },
  {
    event: 'late',
    label: 'Guest late',
    words: 'delay',
    icon: 'pi pi-clock',
    until: 'Or expected at',
    minutes: { label: 'Expected later by', offered: [15, 30, 60] },
  },
  { event: 'gone', label: 'Guest gone', words: 'left no-show', icon: 'pi pi-sign-out' },
  {
    event: 'closed',
    label: 'Circuit closed',
    words: 'closure',
    icon: 'pi pi-ban',
    from: 'From, now if empty',
    minutes: { label: 'For', offered: [15, 30, 60] },
  },
  {
    event: 'condition',
    label: 'Condition changed',
    words: 'wet damp dry rain weather',
    icon: 'pi pi-cloud',
    from: 'From, now if empty',
  },
  {
    event: 'behind',
    label: 'Running late',
    words: 'delay behind',
    icon: 'pi pi-hourglass',
    minutes: { label: 'By', offered: [5, 10, 15, 20] },
  },
];
