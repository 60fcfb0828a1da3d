import { ownTarget } from './asking-engines';
import { engineSuite } from './engine-suite';

engineSuite(ownTarget('firefox'));
