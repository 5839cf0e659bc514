export { ToolScreen as default } from '../../src/tools/ToolScreen';
