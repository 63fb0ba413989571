import type { GateAnswers } from './answers';

/** What is known of a guest: what was booked, and what was answered at the gate, which holds where both speak. */
export function knownAnswers(
  booked: { readonly touch?: boolean | undefined; readonly drivesOn?: 'left' | 'right' | undefined } | undefined,
  answers: GateAnswers,
): GateAnswers {
  const said = Object.fromEntries(Object.entries(answers).filter(([, value]) => value !== undefined)) as GateAnswers;
  return {
    ...(booked?.touch === undefined ? {} : { touch: booked.touch }),
    ...(booked?.drivesOn === undefined ? {} : { drivesOn: booked.drivesOn }),
    ...said,
  };
}

/** An answer on top of those before; the venue's own questions one by one. */
export function withAnswers(before: GateAnswers, more: GateAnswers): GateAnswers {
  const own = { ...before.own, ...more.own };
  return { ...before, ...more, ...(Object.keys(own).length > 0 && { own }) };
}
