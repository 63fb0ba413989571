/** Practice: a simulated crew plays the stations of a day, and people take them over one by one. */
export * from './posts';
