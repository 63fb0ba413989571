/** A dialog is drawn within some frames; after so many it is not coming. */
const MOST_FRAMES = 30;

/**
 * Puts the focus on an element as soon as it is drawn, so that what is typed next goes there. Does nothing where somebody
 * has gone to another field of the same dialog meanwhile.
 */
export function focusOnceThere(id: string, frames = MOST_FRAMES): void {
  const element = document.getElementById(id);
  if (element) {
    const dialog = element.closest('[role="dialog"]');
    if (!dialog?.contains(document.activeElement) || document.activeElement === dialog) element.focus();
  } else if (frames > 0) requestAnimationFrame(() => focusOnceThere(id, frames - 1));
}
