/** The screens that are opened from a list, in one file of their own: they share the dragging, the forms, the drawings and the arithmetic. */
export { JoinForm } from './access/JoinForm';
export { Unlock } from './access/Unlock';
export { BookFiles } from './session/book/BookFiles';
export { BookPage } from './session/book/BookPage';
export { BookSessionEditor } from './session/book/BookSessionEditor';
export { ProgressionList, ProgressionPage } from './session/book/Progressions';
export { GuidesPage } from './session/GuidesPage';
export { VenueEditor } from './places/VenueEditor';
export { VenueList } from './places/VenueList';
export { PlanPage } from './plan/PlanPage';
export { SessionEditor } from './session/SessionEditor';
export { AthletePage } from './squad/AthletePage';
export { BookEditor } from './squad/books/BookEditor';
export { BookList } from './squad/books/BookList';
export { GroupsPage } from './squad/groups/GroupsPage';
export { ResultView } from './review/ResultView';
export { LineBoard } from './trackside/board/LineBoard';
export { RollCall } from './trackside/before/RollCall';
