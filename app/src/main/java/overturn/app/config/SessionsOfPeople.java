package overturn.app.config;

import org.springframework.session.FindByIndexNameSessionRepository;
import org.springframework.session.Session;
import org.springframework.stereotype.Component;
import overturn.app.people.Sessions;

/** Who is signed in where, as Spring Session keeps it. */
@Component
class SessionsOfPeople implements Sessions {

    private final FindByIndexNameSessionRepository<? extends Session> sessions;

    SessionsOfPeople(FindByIndexNameSessionRepository<? extends Session> sessions) {
        this.sessions = sessions;
    }

    @Override
    public void endAllOf(String personId) {
        sessions.findByPrincipalName(personId).keySet().forEach(sessions::deleteById);
    }
}
