import { inject } from '@angular/core';
import { ActivatedRoute } from '@angular/router';

/** The heading of a screen that is also a part of another one, which has it then: only where it stands by itself. */
export function ownHeading(heading: string): string | undefined {
  const { frame } = inject(ActivatedRoute).snapshot.data as { frame?: string };
  return frame === undefined ? undefined : heading;
}
