package overturn.app.config;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springdoc.core.utils.SpringDocUtils;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.MethodParameter;
import org.springframework.web.bind.support.WebDataBinderFactory;
import org.springframework.web.context.request.NativeWebRequest;
import org.springframework.web.context.request.RequestAttributes;
import org.springframework.web.method.support.HandlerMethodArgumentResolver;
import org.springframework.web.method.support.ModelAndViewContainer;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;
import overturn.app.people.Actor;

/** Gives a controller whoever does what is asked, as {@link ActorFilter} found. */
@Configuration
class ActorArgument implements WebMvcConfigurer, HandlerMethodArgumentResolver {

    static {
        SpringDocUtils.getConfig().addRequestWrapperToIgnore(Actor.class);
    }

    @Override
    public void addArgumentResolvers(List<HandlerMethodArgumentResolver> resolvers) {
        resolvers.add(this);
    }

    @Override
    public boolean supportsParameter(MethodParameter parameter) {
        return parameter.getParameterType() == Actor.class;
    }

    @Override
    public Object resolveArgument(
            MethodParameter parameter,
            @Nullable ModelAndViewContainer container,
            NativeWebRequest request,
            @Nullable WebDataBinderFactory binders) {
        Object actor = request.getAttribute(ActorFilter.ACTOR, RequestAttributes.SCOPE_REQUEST);
        if (actor == null) {
            throw new IllegalStateException("Impossible: " + parameter.getMethod() + " is open to nobody");
        }
        return actor;
    }
}
