/** The crew: who did how much, what would be fair, who alone may do what. */
export * from './load';
export * from './rests';
