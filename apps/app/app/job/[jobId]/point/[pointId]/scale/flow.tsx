export { FlowScreen as default } from '../../../../../../src/scale/FlowScreen';
