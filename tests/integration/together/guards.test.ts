import { group } from '../../support/group';

group('guards');
