import { LIMIT_SOURCES, SOURCE_NAME } from './record';

const SHORT_SOURCE: Readonly<Record<(typeof LIMIT_SOURCES)[number], string>> = {
  maker: 'maker',
  stamped: 'stamped',
  workshop: 'workshop',
  other: 'other',
};

/** The sources to choose from: a short word beside the figure, the whole as its title. */
export const SOURCE_CHOICES = LIMIT_SOURCES.map((source) => ({
  value: source,
  label: SHORT_SOURCE[source],
  title: SOURCE_NAME[source],
}));
