// Families that a person likes best, kept for all books of this browser.
import { keptList } from '../keptList';

export const favouriteFamilies = keptList<{ readonly name: string }>('favourite faces', {});
