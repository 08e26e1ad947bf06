import { group } from '../../support/group';

group('work');
