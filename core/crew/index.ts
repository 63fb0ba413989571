/** The crew: who did how much, what would be fair, who alone may do what. */
export * from './load';
export * from './rests';
export * from './skills';
export * from './roster';
export * from './skill-watch';
export * from './newcomer';
