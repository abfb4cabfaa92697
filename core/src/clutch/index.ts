export {
  clutchSet,
  SLAVE_READING_MM,
  slavePasses,
  slaveTests,
  type SlaveReading,
  type SlaveTest,
  type SlaveWay,
} from './slaveTest';
