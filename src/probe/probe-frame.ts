import { frameApi, startFrame } from './start-frame';

startFrame(frameApi);
