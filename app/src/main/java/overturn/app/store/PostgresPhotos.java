package overturn.app.store;

import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import overturn.app.photo.Photo;
import overturn.app.photo.Photos;

/** Pictures in PostgreSQL. */
@Repository
class PostgresPhotos implements Photos {

    private final JdbcClient jdbc;

    PostgresPhotos(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    @Override
    public void add(Photo photo) {
        jdbc.sql("insert into photo (sha256, jpeg) values (:sha256, :jpeg) on conflict (sha256) do nothing")
                .param("sha256", photo.sha256())
                .param("jpeg", photo.jpeg())
                .update();
    }

    @Override
    public void erase(String sha256) {
        jdbc.sql("delete from photo where sha256 = :sha256")
                .param("sha256", sha256)
                .update();
    }

    @Override
    public Optional<byte[]> find(String sha256) {
        return jdbc.sql("select jpeg from photo where sha256 = :sha256")
                .param("sha256", sha256)
                .query(byte[].class)
                .optional();
    }
}
