import { group } from '../../support/group';

group('onServer');
