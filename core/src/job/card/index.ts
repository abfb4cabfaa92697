export {
  jobCard,
  pouredWords,
  type CardFacts,
  type CardLine,
  type CardOpening,
  type CardPoured,
  type CardSource,
  type JobCard,
} from './card';
