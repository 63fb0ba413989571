/** The class: its show and what is asked. */
export * from './show';
