import { handKeysOut } from './pressed-key';
import { frameApi, startFrame } from './start-frame';

handKeysOut();
startFrame(frameApi);
