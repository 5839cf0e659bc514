import { configure } from '@testing-library/react';

// What comes a little later is waited for as long as a machine may stand still that others use too.
configure({ asyncUtilTimeout: 15_000, defaultHidden: true });
