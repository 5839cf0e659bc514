import { page } from '../../../../../src/pages/page';

export default page('PointPhotosScreen');
