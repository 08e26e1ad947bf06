export {
  actionsOfJob,
  benchOfJob,
  carOfPlate,
  cornerOfJob,
  runoutSeat,
  writtenOtherwise,
  type WrittenOtherwise,
} from './carWork';
