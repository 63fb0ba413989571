/** Where a phone is let in. */
export const ADD_PATH = '/add';

/** Leads a phone that was not added, or was put out, to where it is let in. */
export function toBeAdded(): void {
  if (!location.pathname.startsWith(ADD_PATH)) location.assign(ADD_PATH);
}
