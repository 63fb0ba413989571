import type { DayView } from '@core/api';

/** "Ines F" of "Ines Faro": how guests are called on a crowded drawing. */
export function shortName(name: string): string {
  const words = name.trim().split(/\s+/);
  const last = words.length > 1 ? words.at(-1)! : '';
  return last ? `${words[0]} ${last.charAt(0)}` : name;
}

/** "IF" of "Ines Faro": where there is no room for a name. */
export function initials(name: string): string {
  return name
    .trim()
    .split(/\s+/)
    .map((word) => word.charAt(0))
    .join('')
    .slice(0, 3);
}

/** The family name: how instructors are called. */
export function surname(name: string): string {
  return name.trim().split(/\s+/).at(-1) ?? name;
}

/** A car as people tell it from another of its name: `4 Halyard GT`. */
export function carLabel(view: Pick<DayView, 'carNumbers' | 'day'> | undefined, id: string): string {
  const name = view?.day.cars.find((car) => car.id === id)?.name ?? id;
  return `${view?.carNumbers[id] ?? ''} ${name}`.trim();
}
