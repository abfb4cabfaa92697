export {
  clutchSet,
  slavePasses,
  slaveTests,
  type SlaveReading,
  type SlaveTest,
  type SlaveWay,
} from './slaveTest';
