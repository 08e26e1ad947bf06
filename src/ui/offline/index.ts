export { HeldList } from './HeldList';
export { forgetPages, isHeldElsewhere, renderedAt } from './heldPage';
export { ForgetPages, HoldJob, HoldProgram } from './HoldPages';
