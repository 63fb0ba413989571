/** Two numbers as people write them: `61.9, -6.8`, `12.5 40`; nothing where there are not two. */
export function twoNumbers(text: string): [number, number] | undefined {
  const parts = text
    .trim()
    .split(/\s*[,;]\s*|\s+/)
    .map(Number);
  return parts.length === 2 && parts.every(Number.isFinite) ? [parts[0]!, parts[1]!] : undefined;
}
