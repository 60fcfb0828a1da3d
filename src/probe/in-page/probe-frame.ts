import { handKeysOut } from '../api/pressed-key';
import { frameApi, startFrame } from './start-frame';

handKeysOut();
startFrame(frameApi);
