import { LIMIT_SOURCES, SOURCE_NAME } from './record';

/** The sources to choose from: a short word beside the figure, the whole as its title. */
export const SOURCE_CHOICES = LIMIT_SOURCES.map((source) => ({
  value: source,
  label: source,
  title: SOURCE_NAME[source],
}));
