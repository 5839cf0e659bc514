export { BusesScreen as default } from '../../../src/buses/BusesScreen';
