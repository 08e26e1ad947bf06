export { HeldList } from './HeldList';
export { isHeldElsewhere, renderedAt } from './heldPage';
export { ForgetPages, HoldJob, HoldProgram } from './HoldPages';
