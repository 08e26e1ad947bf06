import { group } from '../../support/group';

group('records');
