export { CodeScreen as default } from '../../../../../../src/scale/CodeScreen';
