/** What somebody can be here, in words. */
export const ROLES = [
  ['technician', 'Technician'],
  ['lead', 'Lead'],
  ['apprentice', 'Apprentice'],
] as const;
export type Role = (typeof ROLES)[number][0];
