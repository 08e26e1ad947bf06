export {
  actionsOfJob,
  benchOfJob,
  carOfPlate,
  cornerOfJob,
  isCuredByMetal,
  runoutSeat,
  writtenOtherwise,
  type WrittenOtherwise,
} from './carWork';
