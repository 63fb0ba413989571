import { DOCUMENT, inject } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { fromEvent } from 'rxjs';

/** Keys typed into a field, or into a dialog over the screen, are meant for it. */
function isTyping(target: EventTarget | null): boolean {
  return (
    target instanceof HTMLElement &&
    (target.isContentEditable ||
      ['INPUT', 'TEXTAREA', 'SELECT'].includes(target.tagName) ||
      target.closest('[role="dialog"]') !== null)
  );
}

/** `p`, `ArrowUp`, `Ctrl Z`, `Ctrl Shift Z`; a Mac's command key is Ctrl. */
function keyName({ key, ctrlKey, metaKey, altKey, shiftKey }: KeyboardEvent): string {
  if (!ctrlKey && !metaKey && !altKey) return key;
  const held = [...(ctrlKey || metaKey ? ['Ctrl'] : []), ...(altKey ? ['Alt'] : []), ...(shiftKey ? ['Shift'] : [])];
  return [...held, key.toUpperCase()].join(' ');
}

interface Guard {
  /** Also taken while somebody types into a field or a dialog. */
  readonly whileTyping?: boolean;
}

/**
 * Keys of a screen, for as long as its component is there. The one guard of all of them: nothing that is typed into a field
 * or a dialog is taken, nor what something on the screen has used already. To be called where things are injected.
 *
 * @param acts what each key does, by `keyName`; nothing where it has nothing to do now
 */
export function onKeys<K extends string>(acts: Readonly<Record<K, () => unknown>>, { whileTyping }: Guard = {}): void {
  fromEvent<KeyboardEvent>(inject(DOCUMENT), 'keydown')
    .pipe(takeUntilDestroyed())
    .subscribe((event) => {
      if (event.defaultPrevented || (!whileTyping && isTyping(event.target))) return;
      const act = (acts as Readonly<Record<string, (() => unknown) | undefined>>)[keyName(event)];
      if (!act) return;
      event.preventDefault();
      act();
    });
}
