export { SuppliesScreen as default } from '../../../src/supplies/SuppliesScreen';
