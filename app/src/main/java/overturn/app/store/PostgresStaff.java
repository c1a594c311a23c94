package overturn.app.store;

import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import overturn.app.workshop.Staff;

/** The workshop's list of people in PostgreSQL. */
@Repository
class PostgresStaff implements Staff {

    private final JdbcClient jdbc;

    PostgresStaff(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    @Override
    public List<Person> all() {
        return jdbc.sql("""
                        select id, name, role
                          from (select p.id, p.name,
                                       case when a.active then a.role when a.active is null then p.role else :left end as role
                                  from person p left join account a on a.person_id = p.id) everybody
                         order by role <> 'owner', role <> 'lead', role = 'apprentice', name
                        """)
                .param("left", Person.LEFT)
                .query((row, n) -> new Person(row.getString("id"), row.getString("name"), row.getString("role")))
                .list();
    }

    @Override
    public void add(Person person) {
        jdbc.sql("insert into person (id, name, role) values (:id, :name, :role) on conflict (id) do nothing")
                .param("id", person.id())
                .param("name", person.name())
                .param("role", person.role())
                .update();
    }
}
