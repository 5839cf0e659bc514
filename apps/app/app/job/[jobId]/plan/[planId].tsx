export { PlanScreen as default } from '../../../../src/buses/PlanScreen';
