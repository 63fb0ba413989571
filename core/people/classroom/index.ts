/** The class: its show and what is asked. */
export {
  ORDINARY_SHOW,
  type OrdinaryQuestion,
  type Question,
  showFields,
  type ShowFields,
  type Slide,
  type SlideKind,
} from './show';
