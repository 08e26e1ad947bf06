import type { Vehicle } from './types';

/** Make and model of a vehicle; of one that was put on file by its plate alone, that. */
export const vehicleName = ({ make, model }: Pick<Vehicle, 'make' | 'model'>): string =>
  `${make} ${model}`.trim() || 'make and model not entered';

/** Nobody has said yet what it is: it shares no figures with any other. */
export const isUnnamed = ({ make, model }: Pick<Vehicle, 'make' | 'model'>): boolean =>
  make === '' && model === '';
