/** A client's own id; `crypto.randomUUID` is missing where the page comes over plain HTTP from another machine. */
export function newId(): string {
  return Array.from(crypto.getRandomValues(new Uint8Array(16)), (byte) => byte.toString(16).padStart(2, '0')).join('');
}
