import { inject } from '@angular/core';
import { ActivatedRoute } from '@angular/router';

/** The parts of the screen that is open, for the tabs in its head. To be called where a component is constructed. */
export function partsHere(): readonly { readonly path: string; readonly label: string }[] {
  const { parts } = inject(ActivatedRoute).snapshot.data as { parts?: ReturnType<typeof partsHere> };
  return parts ?? [];
}
