export * from './registry';
export * from './form';
export {
  BLEED_METHODS,
  approvalSchema,
  programmeSchema,
  waitingSchema,
  type Approval,
  type BeddingPlan,
  type BleedMethod,
  type Sent,
  type StoredTorque,
  type Waiting,
} from './values';
