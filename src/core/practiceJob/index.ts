export {
  actionsOfJob,
  benchOfJob,
  carOfPlate,
  carStands,
  cornerOfJob,
  isCuredByMetal,
  leftAt,
  plateOfCar,
  writtenOtherwise,
  type CarStands,
  type WrittenOtherwise,
} from './carWork';
