export { PortPlanScreen as default } from '../../../../src/buses/PortPlanScreen';
