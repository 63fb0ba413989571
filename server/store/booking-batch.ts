/** A booking as it is stored, its document encoded already. */
export interface StoredBooking {
  readonly id: string;
  readonly reference: string;
  readonly document: string;
}

/** What a list brings in, ready to be stored, so that the main thread need not look at each row again. */
export interface BookingBatch {
  readonly added: readonly StoredBooking[];
  readonly changed: readonly (StoredBooking & { readonly version: number })[];
  readonly unchanged: number;
  readonly faulty: number;
}
