import { ownTarget } from './asking-engines';
import { engineSuite } from './engine-suite';
import { modelSuite } from './model-suite';

engineSuite(ownTarget('chromium'));
modelSuite(ownTarget('chromium'));
