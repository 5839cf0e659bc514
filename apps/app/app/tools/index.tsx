export { DrawerScreen as default } from '../../src/tools/DrawerScreen';
