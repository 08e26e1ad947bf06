export * from './customer';
export * from './findCase';
export * from './findWork';
export * from './judgeFind';
export { noseWay } from './noseWay';
