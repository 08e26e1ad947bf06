export * from './registry';
export * from './form';
export {
  BLEED_METHODS,
  approvalSchema,
  guaranteeSchema,
  programmeSchema,
  waitingSchema,
  PART_STATES,
  type Approval,
  type Guarantee,
  type BeddingPlan,
  type BleedMethod,
  type PartOrder,
  type PartState,
  type Sent,
  type StoredTorque,
  type Waiting,
} from './values';
