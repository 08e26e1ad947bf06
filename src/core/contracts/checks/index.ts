export * from './registry';
export * from './form';
export {
  BLEED_METHODS,
  programmeSchema,
  waitingSchema,
  type BeddingPlan,
  type BleedMethod,
  type Sent,
  type StoredTorque,
  type Waiting,
} from './values';
