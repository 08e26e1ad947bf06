/** Even places with which thickness begins; more are read until it is settled. Source: handbook 8. */
export const FIRST_PLACES = 8;
