import { group } from '../../support/group';

group('story');
