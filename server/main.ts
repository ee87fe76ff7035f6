import { start } from './start';

void start();
