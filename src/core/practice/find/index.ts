export { truthShares, type CarCorner } from './carCorner';
export * from './customer';
export { laterOf } from './later';
export { carParts, checkAtPart, partsSeen } from './parts';
export { driveOf } from './recording';
export * from './findCase';
export * from './findWork';
export * from './judgeFind';
export { noseWay } from './noseWay';
